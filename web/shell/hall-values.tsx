import { DATE_STYLES } from '../../core/terms/index.ts';
import type { SelectHTMLAttributes } from 'react';
import { SelectField } from '../ui/index.ts';

type Value = 'massUnit' | 'lengthUnit' | 'paper' | 'dates';

/** What the hall measures, prints and writes its days in. */
export function HallValues({
  register,
}: {
  register: (value: Value) => SelectHTMLAttributes<HTMLSelectElement>;
}) {
  return (
    <div className="grid grid-cols-3 gap-3">
      <SelectField label="Mass in" {...register('massUnit')}>
        <option>kg</option>
        <option>lb</option>
      </SelectField>
      <SelectField label="Length in" {...register('lengthUnit')}>
        <option>cm</option>
        <option>in</option>
      </SelectField>
      <SelectField label="Paper" {...register('paper')}>
        <option>A4</option>
        <option>Letter</option>
      </SelectField>
      <SelectField label="Days are written in" className="col-span-3" {...register('dates')}>
        {Object.entries(DATE_STYLES).map(([style, name]) => (
          <option key={style} value={style}>
            {name}
          </option>
        ))}
      </SelectField>
    </div>
  );
}
