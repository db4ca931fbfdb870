import { useState } from 'react';
import type { FootLoadRow } from '../../contract/people.ts';
import { footShare } from '../../core/body/index.ts';
import { useAsk, useSend, useSigned, useUnits } from '../shell/index.ts';
import {
  Button,
  day,
  Dialog,
  fromMass,
  Loaded,
  mass,
  Notice,
  percent,
  SelectField,
  TextField,
  tidy,
} from '../ui/index.ts';

/** "54 % on the left ± 3 %", and whether that is clear of an even half. */
function shareWords(row: FootLoadRow): string {
  const { of, share, band, uneven } = footShare(row);
  const where = of === 'front' ? `on the foot in front (${row.front ?? ''})` : `on the ${of}`;
  return `${percent(share)} ${where} ± ${percent(band)}${of === 'front' ? '' : uneven ? '' : ', even within that'}`;
}

/** Weight on the feet by two scales, and how far the hips stand off a plumb line. */
export function FootLoads({ personId }: { personId: string }) {
  const { me } = useSigned();
  const units = useUnits();
  const rows = useAsk('footLoads', { person: personId });
  const [open, setOpen] = useState(false);
  const [drop, setDrop] = useState('');
  const remove = useSend('dropFootLoad', { id: drop });
  return (
    <>
      <Loaded query={rows} what="the weight on the feet">
        {(list) =>
          list.length === 0 ? null : (
            <ul aria-label="Weight on the feet" className="border-t border-rule py-1.5">
              {list.map((r) => (
                <li key={r.id} className="flex flex-wrap items-center justify-between gap-x-3">
                  <span>
                    <b>Weight on the feet</b> {day(r.date)}: {shareWords(r)}{' '}
                    <span className="text-soft">
                      left {mass(r.leftKg, units.mass)}, right {mass(r.rightKg, units.mass)}
                      {r.shiftCm !== null &&
                        (r.shiftCm === 0
                          ? '; hips on the plumb line'
                          : `; hips ${tidy(Math.abs(r.shiftCm), 1)} cm to the ${r.shiftCm > 0 ? 'right' : 'left'} of the plumb line`)}
                    </span>
                  </span>
                  {me.role !== 'viewer' &&
                    (drop === r.id ? (
                      <Button tone="danger" onClick={() => remove.mutate()}>
                        Really remove
                      </Button>
                    ) : (
                      <Button
                        tone="quiet"
                        aria-label={`Remove the weight on the feet of ${day(r.date)}`}
                        onClick={() => setDrop(r.id)}
                      >
                        Remove
                      </Button>
                    ))}
                </li>
              ))}
            </ul>
          )
        }
      </Loaded>
      {remove.error && <Notice tone="warn">{remove.error.message}</Notice>}
      {me.role !== 'viewer' && (
        <Button className="mt-2" onClick={() => setOpen(true)}>
          Weight on the feet, by two scales
        </Button>
      )}
      <Dialog title="Weight on the feet" open={open} onClose={() => setOpen(false)}>
        <LoadForm
          personId={personId}
          onDone={() => setOpen(false)}
          fromUnit={(n) => fromMass(n, units.mass)}
        />
      </Dialog>
    </>
  );
}

const STANCES = {
  'side by side': null,
  'left foot in front': 'left',
  'right foot in front': 'right',
} as const;

function LoadForm({
  personId,
  onDone,
  fromUnit,
}: {
  personId: string;
  onDone: () => void;
  fromUnit: (n: number) => number;
}) {
  const units = useUnits();
  const { hall } = useSigned();
  const send = useSend('addFootLoad', { person: personId });
  const [stance, setStance] = useState<keyof typeof STANCES>('side by side');
  const [text, setText] = useState({ left: '', right: '', shift: '' });
  const numberOf = (t: string) => (t.trim() === '' ? NaN : Number(t.replace(',', '.')));
  const [left, right, shift] = [text.left, text.right, text.shift].map(numberOf) as [number, number, number];
  const field = (key: keyof typeof text, label: string, hint?: string) => (
    <TextField
      label={label}
      hint={hint}
      inputMode="decimal"
      value={text[key]}
      onChange={(e) => setText((t) => ({ ...t, [key]: e.target.value }))}
    />
  );
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate(
          {
            date: hall.today,
            front: STANCES[stance],
            leftKg: fromUnit(left),
            rightKg: fromUnit(right),
            shiftCm: Number.isNaN(shift) ? null : shift,
          },
          { onSuccess: onDone },
        );
      }}
    >
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <p className="text-soft">
        A scale under each foot, both on the same hard floor. Stand still, look ahead, and read both at once.
      </p>
      <SelectField
        label="Stance"
        value={stance}
        onChange={(e) => setStance(e.target.value as keyof typeof STANCES)}
      >
        {Object.keys(STANCES).map((s) => (
          <option key={s}>{s}</option>
        ))}
      </SelectField>
      {field('left', `Left scale, ${units.mass}`)}
      {field('right', `Right scale, ${units.mass}`)}
      {field('shift', 'Hips off a plumb line, cm (optional)', 'To the right: plus, to the left: minus.')}
      <Button
        type="submit"
        tone="main"
        disabled={Number.isNaN(left) || Number.isNaN(right) || send.isPending}
      >
        Keep it
      </Button>
    </form>
  );
}
