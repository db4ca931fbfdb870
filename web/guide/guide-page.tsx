import { useSearchParams } from 'react-router';
import { Button, ButtonLink } from '../ui/index.ts';
import { GUIDE } from './pages.ts';
import { ALL_TERMS } from './terms.ts';

/** Six pages to begin with, each with a picture of the screen it speaks of, and the words of all screens. */
export function GuideRoom() {
  const [params, setParams] = useSearchParams();
  const wanted = Number(params.get('page') ?? 1);
  const at = Math.min(GUIDE.length, Math.max(1, Number.isInteger(wanted) ? wanted : 1));
  const page = GUIDE[at - 1]!;
  const go = (to: number) => setParams({ page: String(to) });
  return (
    <div className="mx-auto max-w-6xl">
      <h1>Getting to know it</h1>
      <nav aria-label="Pages of the guide" className="mt-2 flex flex-wrap gap-1 border-b border-ink">
        {GUIDE.map((g, i) => (
          <button
            key={g.title}
            type="button"
            aria-current={i + 1 === at ? 'page' : undefined}
            className={`min-h-11 px-3 font-head ${i + 1 === at ? 'taped bg-paper font-semibold' : 'text-soft'}`}
            onClick={() => go(i + 1)}
          >
            {i + 1}. {g.title}
          </button>
        ))}
      </nav>
      <div className="mt-4 grid items-start gap-8 lg:grid-cols-[1fr_1.3fr]">
        <div>
          <h2>{page.title}</h2>
          <ul className="mt-2 grid gap-3 text-lg">
            {page.lines.map((l) => (
              <li key={l} className="border-l-4 border-rule pl-3">
                {l}
              </li>
            ))}
          </ul>
          <p className="mt-5 flex flex-wrap gap-2">
            <Button tone="main" disabled={at === GUIDE.length} onClick={() => go(at + 1)}>
              Next page
            </Button>
            <ButtonLink to={page.to}>{page.way}</ButtonLink>
          </p>
        </div>
        <img
          src={page.picture}
          alt={page.shows}
          className="max-h-[70vh] border border-soft object-contain object-left-top"
        />
      </div>
      <section className="mt-10 max-w-4xl">
        <h2>The words of the screens</h2>
        <Terms terms={ALL_TERMS} />
      </section>
    </div>
  );
}

/** Words with what they mean. */
export function Terms({ terms }: { terms: typeof ALL_TERMS }) {
  return (
    <dl className="mt-1 grid gap-x-4 sm:grid-cols-[9rem_1fr]">
      {terms.map(([word, meaning]) => (
        <div key={word} className="contents">
          <dt className="border-t border-rule py-1 font-semibold">{word}</dt>
          <dd className="border-rule pb-1 sm:border-t sm:pt-1">{meaning}</dd>
        </div>
      ))}
    </dl>
  );
}
