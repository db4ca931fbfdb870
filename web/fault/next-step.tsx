import { Link } from 'react-router';
import { Suspense, useState } from 'react';
import { causesLeft, PRIOR_CASES, TRY_OUTCOMES } from '../../core/fault/index.ts';
import type {
  Checked,
  CheckValue,
  DeskAdvice,
  DeskFault,
  OfferedAnswer,
  TryOutcome,
} from '../../core/fault/index.ts';
import { angleOfSign } from '../../core/track/index.ts';
import type { PictureChange } from '../../core/track/index.ts';
import { measuredWords } from './desk-parts.tsx';
import { BeforeAfter } from '../eye/index.ts';
import { useSigned } from '../shell/index.ts';
import { Button, Dialog, day, percent } from '../ui/index.ts';

/** The causes in play, the likeliest first. */
export function CauseBars({ advice, cases }: { advice: DeskAdvice; cases: number }) {
  return (
    <section aria-label="Likely causes">
      <h2>Likely causes</h2>
      <ul className="mt-1">
        {advice.causes.map((c) => (
          <li key={c.key} className="border-b border-rule py-1">
            <span className="flex justify-between gap-3">
              <span className={c.probability < 0.05 ? 'text-soft' : ''}>{c.text}</span>
              <b className="whitespace-nowrap">{percent(c.probability)}</b>
            </span>
            <span className="mt-0.5 block h-1.5 bg-ground" aria-hidden="true">
              <span className="block h-full bg-tape" style={{ width: `${100 * c.probability}%` }} />
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-sm text-soft">
        The library’s weights count as {PRIOR_CASES} cases;{' '}
        {cases === 0 ? 'the hall has none of its own yet' : `the hall adds ${Math.round(cases)} of its own`}.
      </p>
    </section>
  );
}

type Measured = NonNullable<Checked['measured']>;
const round = (n: number) => Math.round(10 * n) / 10;

/** The check that tells most, what each result would mean, and why this one. */
export function AskStep({
  advice,
  faults,
  measuring,
  onResult,
}: {
  advice: DeskAdvice;
  faults: readonly DeskFault[];
  /** Who may be measured, and in what; null: nobody is chosen, or they did not agree. */
  measuring: { lying: boolean } | null;
  onResult: (check: CheckValue, result: string | null, measured?: Measured) => void;
}) {
  const [picked, setPicked] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const [change, setChange] = useState<{ of: string; change: PictureChange } | null>(null);
  const all = [...(advice.check ? [advice.check] : []), ...advice.otherChecks];
  const check = all.find((c) => c.check === picked) ?? advice.check;
  if (!check) return null;
  const meaning = (r: CheckValue['results'][number]) => {
    const [key, p] = [...r.beliefs].sort((a, b) => b[1] - a[1])[0]!;
    const cause = advice.causes.find((c) => c.key === key);
    return `${cause?.text ?? ''} ${percent(p)}`;
  };
  const own = check === advice.check;
  const sign = faults.find((f) => f.slug === check.fault)?.cameraSign ?? null;
  const told = change?.of === check.check ? change.change : null;
  const measured: Measured | undefined = told
    ? { angle: told.angle, before: round(told.before), after: round(told.after), band: round(told.band) }
    : undefined;
  return (
    <section aria-label="Check next" className="taped-left bg-paper py-3 pr-4 pl-5">
      <p className="label">Check next{own ? '' : ' (your choice)'}</p>
      <p className="font-head text-2xl leading-tight font-bold">{check.check}</p>
      {faults.length > 1 && (
        <p className="text-soft">For: {faults.find((f) => f.slug === check.fault)?.name}</p>
      )}
      {measuring && sign && angleOfSign(sign) && (
        <>
          <Button floor className="mt-2" onClick={() => setOpen(true)}>
            Measure it: before, and with the check
          </Button>
          <Dialog title={check.check} open={open} wide onClose={() => setOpen(false)}>
            <Suspense fallback={<p role="status">Loading …</p>}>
              <BeforeAfter
                sign={sign}
                lying={measuring.lying}
                onTake={(c) => {
                  setChange({ of: check.check, change: c });
                  setOpen(false);
                }}
              />
            </Suspense>
          </Dialog>
        </>
      )}
      {measured && told && (
        <p className="mt-2 text-lg" role="status">
          {measuredWords(measured)}: <b>{told.told === 'too close' ? 'too close to call' : told.told}</b>
        </p>
      )}
      <ul className="mt-2 grid gap-1">
        {check.results.map((r) => (
          <li key={r.result}>
            <button
              type="button"
              onClick={() => onResult(check, r.result, measured)}
              className="flex min-h-14 w-full flex-wrap items-center justify-between gap-x-4 border border-soft px-4 py-1 text-left text-lg"
            >
              <b>{r.result}</b>
              <span className="text-base text-soft">then most likely: {meaning(r)}</span>
            </button>
          </li>
        ))}
      </ul>
      <Button floor tone="quiet" className="mt-1" onClick={() => onResult(check, null, measured)}>
        Don’t know
      </Button>
      <p className="text-soft">
        {own && advice.next === 'ask'
          ? advice.why
          : `Expected to leave ${causesLeft(check.afterBits).toFixed(1)} of ${advice.causesLeft.toFixed(1)} causes in play.`}
      </p>
      {all.length > 1 && (
        <details className="mt-1">
          <summary className="min-h-14 content-center font-head font-semibold">Another check</summary>
          <ul>
            {all
              .filter((c) => c !== check)
              .map((c) => (
                <li key={c.check}>
                  <button
                    type="button"
                    onClick={() => setPicked(c.check)}
                    className="min-h-14 w-full border-b border-rule text-left"
                  >
                    {c.check}{' '}
                    <span className="text-soft">leaves {causesLeft(c.afterBits).toFixed(1)} causes</span>
                  </button>
                </li>
              ))}
          </ul>
        </details>
      )}
    </section>
  );
}

const sets = (n: number) => `about ${n === 1 ? 'one set' : `${n} sets`}`;

const kitWords = (kit: OfferedAnswer['kit']) =>
  [...new Set(kit.map((group) => group.map((e) => e.name.toLowerCase()).join(' or ')))].join(', ');

function Needs({ answer: a }: { answer: OfferedAnswer }) {
  const { hall } = useSigned();
  const marks = [
    a.kit.length > 0 && `needs ${kitWords(a.kit)}`,
    a.needsSecondPerson && 'needs a second person',
    a.before && `${a.before.outcome} on ${day(a.before.date, hall.today)}`,
  ].filter(Boolean);
  return (
    <>
      <span className="text-soft">
        {a.answerKind}, {sets(a.cost)}
        {marks.length > 0 && `; ${marks.join('; ')}`}
      </span>
      {a.missing && <span className="font-semibold text-warn"> Not now: {a.missing}.</span>}
    </>
  );
}

const OUTCOME_LABEL: Record<TryOutcome, string> = { better: 'Better', same: 'The same', worse: 'Worse' };

/** The answer to try, what came of it, and the ones after it. */
export function AnswersStep({
  advice,
  first,
  onTried,
}: {
  advice: DeskAdvice;
  /** The step of the moment is to try one; else they stand below a check. */
  first: boolean;
  onTried: (answer: OfferedAnswer, outcome: TryOutcome) => void;
}) {
  const [picked, setPicked] = useState<string | null>(null);
  const open = advice.answers.filter((a) => a.missing === null);
  const chosen =
    advice.answers.find((a) => `${a.fault} ${a.text}` === picked) ?? (first ? open[0] : undefined);
  return (
    <section aria-label="Answers">
      {chosen && (
        <div className="taped-left mb-3 bg-paper py-3 pr-4 pl-5">
          <p className="label">Try this</p>
          <p className="font-head text-2xl leading-tight font-bold">{chosen.text}</p>
          <p>
            <Needs answer={chosen} />
          </p>
          {chosen.variation && (
            <Link to={`/library/variation/${chosen.variation.slug}`} className="flex min-h-14 items-center">
              {chosen.variation.name}
            </Link>
          )}
          {first && <p className="text-soft">{advice.why}</p>}
          <div role="group" aria-label="What came of it" className="mt-2 grid grid-cols-3 gap-1">
            {TRY_OUTCOMES.map((o) => (
              <button
                key={o}
                type="button"
                onClick={() => {
                  setPicked(null);
                  onTried(chosen, o);
                }}
                className="min-h-14 border border-soft text-lg font-semibold"
              >
                {OUTCOME_LABEL[o]}
              </button>
            ))}
          </div>
        </div>
      )}
      <h2>{chosen ? 'After that' : 'Answers, cheapest first'}</h2>
      <ol className="mt-1">
        {advice.answers
          .filter((a) => a !== chosen)
          .map((a) => (
            <li key={`${a.fault} ${a.text}`} className="border-b border-rule">
              <button
                type="button"
                disabled={a.missing !== null}
                onClick={() => setPicked(`${a.fault} ${a.text}`)}
                className="min-h-14 w-full py-1 text-left disabled:cursor-not-allowed"
              >
                <span className="font-semibold">{a.text}</span> <br />
                <Needs answer={a} />
              </button>
            </li>
          ))}
      </ol>
    </section>
  );
}
