import { boolean, doublePrecision, integer, jsonb, text } from 'drizzle-orm/pg-core';
import type { $Type, NotNull } from 'drizzle-orm';
import { setFields } from '../../core/log/index.ts';
import type { SetField, SetFieldAbout, SetFields, SetValues } from '../../core/log/index.ts';

const whole = (name: string) => integer(name);
const number = (name: string) => doublePrecision(name);
const flag = (name: string) => boolean(name);
const choice = (name: string) => text(name);
const list = (name: string) => jsonb(name);

const builderOf = (name: string, f: SetFieldAbout) =>
  f.is === 'number'
    ? (f.whole ? whole : number)(name)
    : f.is === 'flag'
      ? flag(name)
      : f.is === 'choice'
        ? choice(name)
        : list(name);

type Builder<F extends SetFieldAbout, V> = F extends { is: 'number'; whole: true }
  ? ReturnType<typeof whole>
  : F extends { is: 'number' }
    ? ReturnType<typeof number>
    : F extends { is: 'flag' }
      ? ReturnType<typeof flag>
      : F extends { is: 'choice' }
        ? $Type<ReturnType<typeof choice>, V>
        : $Type<ReturnType<typeof list>, V>;
type ColumnOf<K extends SetField> = null extends SetValues[K]
  ? Builder<SetFields[K], NonNullable<SetValues[K]>>
  : NotNull<Builder<SetFields[K], SetValues[K]>>;

const snake = (name: string) => name.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`);

/** A column for each field of a set (core/log/fields.ts); a field that may be unknown may be null. */
export const setColumns = () =>
  Object.fromEntries(
    setFields().map(([name, f]) => {
      const column = builderOf(snake(name), f);
      return [name, f.blank === null ? column : column.notNull()];
    }),
  ) as unknown as { [K in SetField]: ColumnOf<K> };
