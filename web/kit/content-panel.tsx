import { useState } from 'react';
import { contentKg, scaledKg } from '../../core/kit/index.ts';
import { Button, TextField, mass } from '../ui/index.ts';

const numberOf = (text: string): number =>
  text.trim() === '' ? 0 : /^\d+([.,]\d+)?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : NaN;

/** What a rucksack or bag weighs: by what is in it, or by a scale with it minus without. */
export function ContentPanel({ unit, onTake }: { unit: 'kg' | 'lb'; onTake: (kg: number) => void }) {
  const [litres, setLitres] = useState('');
  const [books, setBooks] = useState('');
  const [empty, setEmpty] = useState('');
  const [withIt, setWith] = useState('');
  const [without, setWithout] = useState('');
  const byContent = () => {
    try {
      return contentKg({
        litres: numberOf(litres),
        books: numberOf(books),
        emptyKg: scaledKg(numberOf(empty), 0, unit),
      });
    } catch (error) {
      if (error instanceof RangeError) return NaN;
      throw error;
    }
  };
  const byScale = scaledKg(numberOf(withIt), numberOf(without), unit);
  const kg = withIt.trim() !== '' ? byScale : byContent();
  const rounded = Math.round(10 * kg) / 10;
  return (
    <details className="border-y border-rule py-1">
      <summary className="min-h-11 py-2">What does the bag weigh?</summary>
      <div className="grid gap-2 sm:grid-cols-3">
        <TextField
          label="Water in it, litres"
          inputMode="decimal"
          value={litres}
          onChange={(e) => setLitres(e.target.value)}
        />
        <TextField
          label="Books, half a kilogram each"
          inputMode="numeric"
          value={books}
          onChange={(e) => setBooks(e.target.value)}
        />
        <TextField
          label={`The bag by itself, ${unit}`}
          inputMode="decimal"
          value={empty}
          onChange={(e) => setEmpty(e.target.value)}
        />
      </div>
      <p className="mt-2 text-sm text-soft">Or on a bathroom scale, which is better:</p>
      <div className="grid gap-2 sm:grid-cols-3">
        <TextField
          label={`You with it, ${unit}`}
          inputMode="decimal"
          value={withIt}
          onChange={(e) => setWith(e.target.value)}
        />
        <TextField
          label={`You without it, ${unit}`}
          inputMode="decimal"
          value={without}
          onChange={(e) => setWithout(e.target.value)}
        />
      </div>
      {rounded > 0 ? (
        <p className="mt-2 flex flex-wrap items-center gap-3">
          <strong>{mass(rounded, unit)}</strong>
          <Button floor onClick={() => onTake(rounded)}>
            Take it
          </Button>
        </p>
      ) : (
        (Number.isNaN(kg) || kg < 0) && (
          <p className="mt-2 text-sm text-warn">These are no numbers that go together.</p>
        )
      )}
    </details>
  );
}
