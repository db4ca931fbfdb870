import { letterOf } from '../shell/index.ts';
import type { CaseRequest } from '../../contract/fault.ts';
import type { FaultCase } from '../../core/fault/index.ts';
import { outbox } from '../log/index.ts';

/** A case on this tablet; it goes out whole after every step. */
export interface OpenCase extends Omit<FaultCase, 'personId'> {
  id: string;
  edit: number;
  personId: string | null;
  variationRevision: number;
  easier: string | null;
  pain: number | null;
  note: string;
}

export const newCase = (
  of: Pick<OpenCase, 'personId' | 'date' | 'variation' | 'variationRevision' | 'signs'>,
): OpenCase => ({
  id: crypto.randomUUID(),
  edit: 0,
  felt: [],
  checks: [],
  tried: [],
  end: null,
  easier: null,
  pain: null,
  note: '',
  ...of,
});

/** Cases left open on this page, so that closing the desk between two sets loses nothing. */
const open = new Map<string, OpenCase>();
const keyOf = (c: Pick<OpenCase, 'personId' | 'variation' | 'date'>) =>
  `${c.personId ?? ''} ${c.variation} ${c.date}`;

export const openCaseOf = (c: Pick<OpenCase, 'personId' | 'variation' | 'date'>): OpenCase | undefined =>
  open.get(keyOf(c));

/** Keeps a step. What belongs to nobody is only remembered here; what has told nothing yet is not sent. */
export function keepCase(c: OpenCase): OpenCase {
  const next = { ...c, edit: c.edit + 1 };
  if (next.end === null) open.set(keyOf(next), next);
  else open.delete(keyOf(next));
  const { id, personId, ...rest } = next;
  const told = next.checks.length + next.tried.length > 0 || next.end !== null;
  if (personId !== null && told) {
    const { date, edit, variation, variationRevision, signs, felt, checks, tried, end, easier, pain, note } =
      rest;
    const body: CaseRequest = {
      personId,
      date,
      edit,
      variation,
      variationRevision,
      signs,
      felt,
      checks,
      tried,
      end,
      easier,
      pain,
      note,
    };
    void outbox.run(id, personId, {
      ...letterOf('keepCase', { id }, body),
      words: 'A fault worked on',
    });
  }
  return next;
}
