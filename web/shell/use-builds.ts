import { useMemo } from 'react';
import { personalBuild, REFERENCE_BUILD } from '../../core/body/index.ts';
import type { Build, PersonalBuild } from '../../core/body/index.ts';
import { useAsk } from './api.ts';
import { usePeople } from './people.tsx';
import { useSigned } from './start.tsx';

export interface NamedBuild extends PersonalBuild {
  personId: string;
  name: string;
}

/** Everybody whose body can be computed with; viewers, who see no people, get nobody. */
export function useBuilds(): NamedBuild[] {
  const { me } = useSigned();
  const may = me.role !== 'viewer';
  const { find } = usePeople();
  const builds = useAsk('builds', may ? {} : null);
  return useMemo(
    () =>
      (builds.data ?? []).flatMap((b) => {
        const made = personalBuild(b);
        const name = find(b.personId)?.name;
        return made && name ? [{ ...made, personId: b.personId, name }] : [];
      }),
    [builds.data, find],
  );
}

/** The chosen person's build, or the reference. */
export const buildFor = (builds: readonly NamedBuild[], personId: string | null): Build =>
  builds.find((b) => b.personId === personId)?.build ?? REFERENCE_BUILD;
