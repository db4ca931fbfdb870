import { fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { resolve } from '../../core/library/index.ts';
import type { Variation } from '../../core/library/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import { shelf, variation } from '../../core/testing/samples.ts';
import { inHall } from '../testing/in-hall.tsx';
import { AidsPicker } from './aids-picker.tsx';

/** The picker as it stands in a form, with what it makes of the set. */
function pick(change: Partial<Variation>, begin: LoggedSet['aids'] = null) {
  const v = variation('squat', change);
  const read = resolve(v, shelf(v));
  let now = begin;
  function Held() {
    const [value, setValue] = useState(begin);
    return (
      <AidsPicker
        variation={read}
        value={value}
        onChange={(next) => {
          now = next;
          setValue(next);
        }}
      />
    );
  }
  return { ...inHall(<Held />), now: () => now };
}

describe('aids and settings of a set', () => {
  it('are not known until noted, and not known again when the word is taken out', () => {
    const { now } = pick({ loadKind: 'band' });
    const band = screen.getByLabelText('Band used (setting)');
    expect(now()).toBeNull();
    fireEvent.change(band, { target: { value: '12 kg pull' } });
    expect(now()).toEqual([{ name: 'Band', setting: '12 kg pull' }]);
    fireEvent.change(band, { target: { value: '' } });
    expect(now()).toBeNull();
  });

  it('of last time stay, also where the variation names no such setting any more', () => {
    const { now } = pick({ loadKind: 'band' }, [{ name: 'Rack hooks', setting: '7' }]);
    expect(screen.getByLabelText('Rack hooks used (setting)')).toHaveProperty('value', '7');
    fireEvent.change(screen.getByLabelText('Band used (setting)'), { target: { value: 'red' } });
    expect(now()).toEqual([
      { name: 'Rack hooks', setting: '7' },
      { name: 'Band', setting: 'red' },
    ]);
  });

  it('that are to fade are noted as steps, none of it being known too', async () => {
    const { user, now } = pick({ support: 'box or bench behind' } as never, [{ name: 'pads', setting: '2' }]);
    const pads = within(screen.getByRole('group', { name: /^pads/ }));
    await user.click(pads.getAllByRole('button')[0]!);
    expect(now()).toEqual([{ name: 'pads', setting: '0' }]);
  });
});
