import { fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { resolve } from '../../core/library/index.ts';
import type { Variation } from '../../core/library/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import { shelf, variation } from '../../core/testing/samples.ts';
import { inHall } from '../testing/in-hall.tsx';
import { AidsPicker } from './aids-picker.tsx';
import { SettingsPicker } from './settings-picker.tsx';

type Used = Pick<LoggedSet, 'aids' | 'settings'>;

/** The pickers as they stand in a form, with what they make of the set. */
function pick(change: Partial<Variation>, begin: Partial<Used> = {}) {
  const v = variation('squat', change);
  const read = resolve(v, shelf(v));
  let now: Used = { aids: null, settings: null, ...begin };
  function Held() {
    const [value, setValue] = useState(now);
    const put = (part: Partial<Used>) => {
      now = { ...now, ...part };
      setValue(now);
    };
    return (
      <>
        <AidsPicker variation={read} value={value.aids} onChange={(aids) => put({ aids })} />
        <SettingsPicker variation={read} value={value.settings} onChange={(settings) => put({ settings })} />
      </>
    );
  }
  return { ...inHall(<Held />), now: () => now };
}

describe('settings of a set', () => {
  it('are not known until noted, and not known again when taken back', async () => {
    const { user, now } = pick({ loadKind: 'band' });
    expect(now().settings).toBeNull();
    await user.click(screen.getByRole('button', { name: 'strong' }));
    expect(now().settings).toEqual([{ name: 'band', value: 'strong', side: null }]);
    await user.click(screen.getByRole('button', { name: 'strong' }));
    expect(now().settings).toBeNull();
  });

  it('are numbers in their unit, one press a step', async () => {
    const { user, now } = pick({ settings: ['box height'] });
    await user.click(screen.getByRole('button', { name: 'Note it: 40 cm' }));
    await user.click(screen.getByRole('button', { name: 'box height, cm: 5 more' }));
    expect(now().settings).toEqual([{ name: 'box height', value: 0.45, side: null }]);
    fireEvent.change(screen.getByRole('textbox', { name: 'box height, cm' }), { target: { value: '47' } });
    expect(now().settings).toEqual([{ name: 'box height', value: 0.47, side: null }]);
    fireEvent.change(screen.getByRole('textbox', { name: 'box height, cm' }), { target: { value: '900' } });
    expect(now().settings).toEqual([{ name: 'box height', value: 1.2, side: null }]);
  });

  it('of a rack are one number left and right: anything else is said', async () => {
    const { user, now } = pick({ settings: ['rack hooks'] });
    await user.click(screen.getByRole('button', { name: /^Note it: 10/ }));
    expect(now().settings).toHaveLength(2);
    expect(screen.queryByRole('alert')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'rack hooks, left: 1 more' }));
    expect(screen.getByRole('alert').textContent).toBe(
      'Rack hooks: left 11, right 10. The bar would lie uneven: set both to one number.',
    );
    await user.click(screen.getByRole('button', { name: 'rack hooks, right: 1 more' }));
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('that the variation does not name are added from the list', async () => {
    const { user, now } = pick({ settings: [] });
    await user.selectOptions(screen.getByLabelText('Another setting'), 'footwear');
    expect(now().settings).toEqual([{ name: 'footwear', value: 'barefoot', side: null }]);
  });
});

describe('help of a set', () => {
  it('that an older log has in words stays, and can be left out', async () => {
    const { user, now } = pick({}, { aids: [{ name: 'Rack hooks', setting: '7' }] });
    expect(screen.getByText('7')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Leave out Rack hooks' }));
    expect(now().aids).toEqual([]);
  });

  it('that is to fade is noted as steps, none of it being known too', async () => {
    const { user, now } = pick(
      { rangeTarget: 'box or pad height' },
      { aids: [{ name: 'pads', setting: '2' }] },
    );
    const pads = within(screen.getByRole('group', { name: /^pads/ }));
    await user.click(pads.getAllByRole('button')[0]!);
    expect(now().aids).toEqual([{ name: 'pads', setting: '0' }]);
  });

  it('is what the variation names, where it names any', () => {
    pick({ rangeTarget: 'box or pad height', aids: ['other foot'] });
    expect(screen.queryByRole('group', { name: /^pads/ })).toBeNull();
    expect(screen.getByRole('group', { name: /^other foot/ })).toBeTruthy();
  });
});
