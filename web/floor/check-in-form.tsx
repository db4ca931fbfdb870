import { keepStop, outbox, PainPlace, Scale, Stepper } from '../log/index.ts';
import { letterOf } from '../shell/index.ts';
import { useState } from 'react';
import type { CheckIn, TodayPerson } from '../../contract/session.ts';
import { NOT_ASKED } from '../../core/floor/index.ts';
import { STOPPING_PAIN } from '../../core/ladder/index.ts';
import { Button } from '../ui/index.ts';
import { SorePlaces } from './sore-places.tsx';

const BLANK: CheckIn = { here: true, ...NOT_ASKED };

/** The answers of somebody so far, to be changed in part. */
export const answersOf = (row: TodayPerson['checkIn']): CheckIn =>
  row
    ? {
        here: row.here ?? true,
        pain: row.pain,
        painRegion: row.painRegion,
        painSide: row.painSide,
        sleepH: row.sleepH,
        atEase: row.atEase,
        sore: row.sore,
        note: row.note,
      }
    : BLANK;

/** Keeps the answers on the tablet and sends them; the same day is one errand. */
export function keepCheckIn(personId: string, date: string, answers: CheckIn): void {
  void outbox.run(`check-in ${personId} ${date}`, personId, {
    ...letterOf('saveCheckIn', { person: personId, date }, answers),
    words: `The questions before work of ${date}`,
  });
}

/** The questions before work: pain, sleep, at ease. What is not asked stays unknown. */
export function CheckInForm({
  person,
  date,
  onDone,
}: {
  person: TodayPerson;
  date: string;
  onDone: () => void;
}) {
  const [answers, setAnswers] = useState<CheckIn>(answersOf(person.checkIn));
  const strong = (answers.pain ?? 0) >= STOPPING_PAIN;
  const change = (part: Partial<CheckIn>) => setAnswers((now) => ({ ...now, ...part }));
  return (
    <form
      className="grid gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        keepCheckIn(person.personId, date, answers);
        onDone();
      }}
    >
      <Scale label="Pain now, 0 to 10 (0 is none)" value={answers.pain} onPick={(pain) => change({ pain })} />
      {strong ? (
        <p className="border-l-[6px] border-warn pl-3 font-semibold text-warn">
          {STOPPING_PAIN} or more: nothing at all is proposed until the head coach clears it on the word of a
          doctor or physiotherapist. Local rules come first.
        </p>
      ) : (
        (answers.pain ?? 0) > 0 && (
          <p className="border-l-[6px] border-warn pl-3 font-semibold text-warn">
            No move up while pain is fresh. Sharp or rising pain: nothing that brings it on; refer if it does
            not settle. Local rules come first.
          </p>
        )
      )}
      {(answers.pain ?? 0) > 0 && (
        <PainPlace region={answers.painRegion} side={answers.painSide} onPick={change} />
      )}
      <Scale
        label="At ease with today’s work, 0 to 10"
        value={answers.atEase}
        onPick={(atEase) => change({ atEase })}
      />
      {answers.sleepH === null ? (
        <div>
          <Button floor onClick={() => change({ sleepH: 8 })}>
            Ask about sleep
          </Button>
        </div>
      ) : (
        <Stepper
          label="Hours slept"
          value={answers.sleepH}
          step={0.5}
          onChange={(sleepH) => change({ sleepH: Math.min(24, sleepH) })}
        />
      )}
      <SorePlaces value={answers.sore} onChange={(sore) => change({ sore })} />
      <label className="block">
        <span className="label">A word, if any</span>
        <input
          className="field mt-1 min-h-14 text-lg"
          maxLength={400}
          value={answers.note}
          onChange={(e) => change({ note: e.target.value })}
        />
      </label>
      <div className="flex flex-wrap gap-2">
        <Button type="submit" floor tone="main">
          Keep the answers
        </Button>
        {!strong && (
          <Button
            floor
            tone="danger"
            onClick={() => {
              keepCheckIn(person.personId, date, answers);
              const { pain, note: words } = answers;
              keepStop({ personId: person.personId, date, reach: 'everything', pain, words });
              onDone();
            }}
          >
            Stop: nothing until cleared
          </Button>
        )}
        <Button floor tone="quiet" onClick={onDone}>
          Not now
        </Button>
      </div>
    </form>
  );
}
