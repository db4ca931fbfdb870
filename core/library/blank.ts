import type { DocumentField, DocumentFields } from './kinds/field.ts';
import { LEVEL } from './kinds/ladder.ts';
import { fieldsOf } from './kinds/kinds.ts';
import type { Body, Level } from './documents.ts';
import type { Kind } from './kinds/kind.ts';
import type { Mechanics, SettledOf } from '../posture/index.ts';

/** A mechanics block of each kind to start from: the plainest posture of its kind. */
export const BLANK_MECHANICS: { [T in Mechanics['type']]: SettledOf<T> } = {
  squat: { type: 'squat', legs: 2, thighDeg: 90, hands: 'forward', loadPlace: 'none' },
  hinge: { type: 'hinge', legs: 2, trunkDeg: 70, kneeDeg: 20, hands: 'at the sides', loadPlace: 'none' },
  lift: {
    type: 'lift',
    fromHeightM: 0.225,
    implement: 'straight bar',
    referenceLoad: { fractionOfBodyMass: 0.5, per: 'total' },
  },
  bridge: { type: 'bridge', legs: 2, loadPlace: 'none', feetFartherDeg: 0, hold: false },
  lunge: {
    type: 'lunge',
    stepOfRightAngleStep: 1,
    frontShankDeg: 0,
    trunkDeg: 5,
    dynamics: 'static',
    loadPlace: 'none',
  },
  extension: { type: 'extension', bench: 'level', hands: 'crossed' },
  drawn: {
    type: 'drawn',
    reason: '',
    start: { shankDeg: 0, thighDeg: 0, trunkDeg: 0 },
    working: { shankDeg: 0, thighDeg: 0, trunkDeg: 0 },
  },
};

/** What a member is before anything is written in it. */
function blankOf(f: DocumentField, name: string): unknown {
  if (f.named) return f.is === 'line' ? { text: name } : f.is === 'text' ? name.slice(0, f.most) : name;
  if (f.blank !== undefined) return structuredClone(f.blank);
  switch (f.is) {
    case 'text':
    case 'short id':
    case 'document':
    case 'date':
      return '';
    case 'number':
    case 'ruled number':
      return Math.max(0, f.from);
    case 'choice':
      return f.of[0];
    case 'flag':
      return false;
    case 'line':
      return { text: '' };
    case 'house rule':
      return {};
    case 'group':
      return blankItem(f.fields);
    case 'mechanics':
      return BLANK_MECHANICS.bridge;
    case 'list':
      // What a list must have at least is there from the start.
      return Array.from({ length: f.least ?? 0 }, () => blankItem(f.fields));
    default:
      return [];
  }
}

/**
 * A new document, group or item of a list with everything it must have, as empty as may be. A member that may be left
 * out is there only where something usual stands in it.
 */
export function blankItem(fields: DocumentFields, name = ''): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(fields).flatMap(([key, f]) =>
      f.optional && f.blank === undefined ? [] : [[key, blankOf(f, name)]],
    ),
  );
}

/** A new level with criteria to start from: common practice, to be changed by the head coach. */
export const blankLevel = (id: string, name: string): Level => ({ ...blankItem(LEVEL), id, name }) as Level;

/** A new document of the kind with everything it must have, as empty as may be. */
export function blankBody(kind: Kind, slug: string, name: string, author: string): Body {
  const blank = { ...blankItem(fieldsOf(kind), name), kind, slug, retired: false, author } as Body;
  return blank.kind === 'ladder' ? { ...blank, levels: [blankLevel('first', 'First')] } : blank;
}
