import { FORMS } from '../../core/terms/index.ts';
import type { Form } from '../../core/terms/index.ts';
import { useSend } from '../shell/index.ts';
import { Notice, Segmented } from '../ui/index.ts';

/** Whether somebody works on a ladder in sets or in intervals by the clock; where they stand stays as it is. */
export function FormSwitch({ personId, ladder, form }: { personId: string; ladder: string; form: Form }) {
  const send = useSend('changeForm', { person: personId });
  return (
    <div className="mt-2">
      <Segmented
        label="Done in sets, or in intervals by the clock"
        named
        floor
        options={FORMS}
        value={form}
        disabled={() => send.isPending}
        onPick={(next) => next !== form && send.mutate({ ladder, form: next, reason: '' })}
      />
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
    </div>
  );
}
