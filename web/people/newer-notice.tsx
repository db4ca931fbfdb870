import { useAsk, useSigned } from '../shell/index.ts';
import { ButtonLink, fullDay } from '../ui/index.ts';

/** That an update brought a newer edition of the library; a head coach’s alone, until each document is settled. */
export function NewerNotice() {
  const { me } = useSigned();
  const { data } = useAsk('newerEdition', me.role === 'head coach' ? {} : null);
  if (!data?.began || data.items.length === 0) return null;
  const { edition, items } = data;
  return (
    <p className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2 border-l-[7px] border-tape bg-paper px-4 py-2">
      <span>
        A newer edition of the library came with Meister: edition {edition.number} of {fullDay(edition.date)},{' '}
        {items.length === 1 ? 'one document differs' : `${items.length} documents differ`}. Yours stays until
        you say otherwise.
      </span>
      <ButtonLink to="/library/newer">Compare it</ButtonLink>
    </p>
  );
}
