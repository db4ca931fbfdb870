import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { OwnDay } from '../../contract/session.ts';
import { reachWords } from '../../core/ladder/index.ts';
import { outbox, setSummary, useParcels } from '../log/index.ts';
import { letterOf, Refused, refresh, send, refreshAfter, useAsk, useLink } from '../shell/index.ts';
import { Button, fullDay, Loaded, Notice, useKept, writeDatesAs } from '../ui/index.ts';
import { AloneSession } from './alone-session.tsx';
import { keepDay, KEPT_MS, keptDay, ownSession, purge, sessionOf } from './kept-day.ts';
import { OWN } from './own-sets.ts';

/** What the holder of a personal link sees: a session to follow, and what they did. */
export function OwnPage() {
  return (
    <main className="mx-auto max-w-xl px-4 py-4">
      <Loaded query={useLink('own')} what="your link">
        {(link) => <OwnDayOf link={link} />}
      </Loaded>
    </main>
  );
}

const SEND_EVERY_MS = 15_000;

function OwnDayOf({ link }: { link: string }) {
  const client = useQueryClient();
  const session = useKept(ownSession);
  const query = useAsk('ownDay', { link, ...(session.have ? { have: session.have } : {}) });
  const parcels = useParcels().filter((p) => p.personId === OWN);
  const waiting = parcels.filter((p) => p.state === 'waiting').length;
  const refused = parcels.filter((p) => p.state === 'refused');
  useEffect(() => {
    const tick = () => void outbox.flush().catch(() => undefined);
    tick();
    void outbox.forget(OWN, new Date(Date.now() - KEPT_MS).toISOString());
    const timer = setInterval(tick, SEND_EVERY_MS);
    addEventListener('online', tick);
    return () => {
      clearInterval(timer);
      removeEventListener('online', tick);
    };
  }, []);
  useEffect(() => {
    if (waiting === 0) void refresh(client, ['log', 'reports']);
  }, [waiting, client]);
  useEffect(() => {
    if (query.data) keepDay(link, query.data);
  }, [link, query.data]);
  const ended = query.error instanceof Refused && query.error.problem.status < 500;
  useEffect(() => {
    if (!ended) return;
    purge();
    void outbox.forget(OWN);
  }, [ended]);
  const last = !query.data && query.isError && !ended ? keptDay(link) : null;
  if (last)
    return <Day data={last.day} link={link} waiting={waiting} refused={refused} savedAt={last.savedAt} />;
  return (
    <Loaded query={query} what="your day">
      {(data) => <Day data={data} link={link} waiting={waiting} refused={refused} savedAt={null} />}
    </Loaded>
  );
}

function Day({
  data,
  link,
  waiting,
  refused,
  savedAt,
}: {
  data: OwnDay;
  link: string;
  waiting: number;
  refused: readonly { id: string; error: string | null }[];
  /** When it was read; null: just now. */
  savedAt: string | null;
}) {
  const session = sessionOf(useKept(ownSession), data.date);
  writeDatesAs(data.dates);
  const stopped = data.stopped.length > 0;
  const ended = data.ended || session.ended;
  return (
    <>
      <p className="label">{data.hallName}</p>
      <h1>{data.name}</h1>
      <p className="text-soft">
        {fullDay(data.date)}. What you write down here counts as not watched by a coach.
      </p>
      {savedAt && (
        <Notice>
          No connection: this is your plan as it was last read. What you write down is kept here and sent
          later.
        </Notice>
      )}
      {waiting > 0 && (
        <p role="status" className="mt-1 font-semibold">
          {waiting} not sent yet: kept on this device.
        </p>
      )}
      {refused.map((r) => (
        <Notice key={r.id} tone="warn">
          {r.error ?? 'One could not be kept.'}{' '}
          <Button tone="quiet" onClick={() => void outbox.discard(r.id)}>
            I have read it
          </Button>
        </Notice>
      ))}
      {stopped && (
        <Notice tone="warn">
          Your coaches know that something is wrong. {data.stopped.map(reachWords).join(', ')} until they say
          that you may go on. If it gets worse, see a doctor.
        </Notice>
      )}
      {data.notLed.map((n) => (
        <Notice key={n.ladderName}>
          {n.ladderName}:{' '}
          {n.why === 'barred'
            ? 'not for now. Your coach can tell you why.'
            : 'nothing of it can be done with what is there.'}
        </Notice>
      ))}
      {ended && !stopped && (
        <Notice tone="warn">
          Your session ends here for today. Tell {data.tell}. Sharp, rising or lasting pain: see a doctor or
          physiotherapist.
        </Notice>
      )}
      {!ended && !stopped && data.lines.length === 0 && data.notLed.length === 0 && (
        <Notice>There is nothing for you to do alone today. Ask your coach.</Notice>
      )}
      {!ended && !stopped && <AloneSession data={data} link={link} session={session} />}
      {!data.stopped.includes('everything') && (
        <StopAlone link={link} tell={data.tell} onStop={() => ownSession.put({ ...session, ended: true })} />
      )}
      <Written data={data} link={link} />
      <p className="mt-6 text-sm text-soft">
        This page is yours alone, on this device alone: the link opens on no other. It ends on{' '}
        {fullDay(data.until.slice(0, 10))}. Sharp or rising pain: stop, and tell your coach. This replaces no
        medical advice.
      </p>
    </>
  );
}

/** Stop is pressed at home: the coaches read it first thing, and nothing more is led. */
function StopAlone({ link, tell, onStop }: { link: string; tell: string; onStop: () => void }) {
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState('');
  const stop = () => {
    const id = crypto.randomUUID();
    void outbox.run(id, OWN, { ...letterOf('keepOwnStop', { link, id }, { words }), words: 'Stop' });
    onStop();
    setOpen(false);
  };
  if (!open) {
    return (
      <Button floor tone="danger" className="mt-5" onClick={() => setOpen(true)}>
        Something is wrong: stop
      </Button>
    );
  }
  return (
    <section className="mt-5 border-l-[6px] border-warn bg-paper px-4 py-3" aria-label="Stop">
      <p className="font-semibold text-warn">
        Stop now. Your coaches are told as soon as there is a connection, and nothing more is proposed until
        they have looked. If it cannot wait, call {tell} or a doctor.
      </p>
      <label className="mt-2 block">
        <span className="label">What is wrong, if you want to say</span>
        <input
          className="field mt-1 min-h-14 text-lg"
          maxLength={400}
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
      </label>
      <div className="mt-2 flex gap-2">
        <Button floor tone="danger" onClick={stop}>
          Stop and tell my coach
        </Button>
        <Button floor tone="quiet" onClick={() => setOpen(false)}>
          Tapped by mistake
        </Button>
      </div>
    </section>
  );
}

function Written({ data, link }: { data: OwnDay; link: string }) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<string | null>(null);
  if (data.sets.length === 0) return null;
  const takeBack = async (id: string, edit: number) => {
    try {
      await send('deleteOwnSet', { link, id }, { edit: edit + 1 });
      setProblem(null);
      await refreshAfter(client, 'deleteOwnSet');
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It could not be taken back. Try again.');
    }
  };
  return (
    <section className="mt-6">
      <h2 className="border-b border-ink pb-1">Written down today</h2>
      {problem && <Notice tone="warn">{problem}</Notice>}
      <ul>
        {data.sets.map((s) => (
          <li key={s.id} className="flex items-center gap-3 border-b border-rule py-1">
            <span className="grow">
              {s.variation}: {setSummary(s.set, data.massUnit, (f) => f)}
            </span>
            <Button floor tone="quiet" onClick={() => void takeBack(s.id, s.edit)}>
              Take back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
