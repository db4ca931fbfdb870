import { ChevronLeft } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import type { ReactNode } from 'react';
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { editionLabel } from '../../core/exchange/index.ts';
import { ClockKeeper, RunningBand } from '../dose/index.ts';
import { Button, Dialog, useKeys } from '../ui/index.ts';
import { CommandBar } from './commands.tsx';
import { FloorLook } from './floor-look.tsx';
import { useSigned } from './start.tsx';
import { SureDialog } from './sure-dialog.tsx';

const HelpWith = lazy(async () => ({ default: (await import('../guide/index.ts')).HelpWith }));

const KEYS: [string, string][] = [
  ['/', 'Go to, or do'],
  ['g then f', 'Floor'],
  ['g then d', 'Faults desk'],
  ['g then o', 'Overview'],
  ['g then p', 'People'],
  ['g then l', 'Library'],
  ['g then s', 'Ladders (stairs)'],
  ['g then c', 'Changes'],
  ['q', 'Library: to the search'],
  ['. and ,', 'Library: next sheet, sheet before'],
  ['0 to 9', 'Session: the amount of the set'],
  ['a, b, c …', 'Session: one more of that fault'],
  ['Enter', 'Session: log it as watched'],
  ['← and →', 'Session: person before, next person'],
  ['?', 'The words of the screen, and this list'],
  ['Esc', 'Close what is open'],
];
const JUMPS: Record<string, string> = {
  f: '/floor',
  d: '/faults',
  o: '/overview',
  p: '/people',
  l: '/library',
  s: '/ladders',
  c: '/changes',
};

const initials = (name: string) =>
  name
    .split(/\s+/)
    .map((part) => part[0])
    .join('');

/** The band at the top and the room beneath it. */
/** @param waiting what has not been sent yet, for the head of every page */
export function Shell({ waiting }: { waiting?: ReactNode }) {
  const { hall, me, edition } = useSigned();
  const [open, setOpen] = useState<'commands' | 'keys' | null>(null);
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const atWork = pathname === '/floor/session';

  useKeys({
    '/': () => setOpen('commands'),
    '?': () => setOpen('keys'),
    ...Object.fromEntries(Object.entries(JUMPS).map(([key, to]) => [`g ${key}`, () => void navigate(to)])),
  });

  const rooms: [string, string, boolean][] = [
    ['Floor', '/floor', me.role !== 'viewer'],
    ['Faults', '/faults', me.role !== 'viewer'],
    ['Overview', '/overview', me.role !== 'viewer' && !me.floorOnly],
    ['People', '/people', me.role !== 'viewer' && !me.floorOnly],
    ['Library', '/library', true],
    ['Ladders', '/ladders', !me.floorOnly],
    ['Body', '/body', !me.floorOnly],
    ['Kit', '/kit', !me.floorOnly],
    ['Changes', '/changes', me.role !== 'viewer' && !me.floorOnly],
    ['Hall', '/hall', me.role === 'head coach' && !me.floorOnly],
  ];
  return (
    <>
      <a
        href="#room"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-paper focus:p-3"
      >
        Skip to the room
      </a>
      <header
        className={`no-print flex items-stretch gap-x-2 border-b border-ink bg-paper px-2 md:gap-x-6 md:px-6 ${atWork ? 'max-lg:min-h-12' : ''}`}
      >
        {atWork && (
          // On a tablet or phone the session has the place: one way out, and what always stands at the top.
          <NavLink to="/floor" className="flex min-h-12 items-center gap-1 px-2 no-underline lg:hidden">
            <ChevronLeft aria-hidden="true" size={20} /> Today
          </NavLink>
        )}
        <NavLink
          to="/"
          aria-label="Meister"
          className={`flex items-center gap-2 px-2 py-2 font-head text-lg font-bold no-underline [font-stretch:120%] ${atWork ? 'max-lg:hidden' : ''}`}
        >
          <svg viewBox="0 0 32 32" width="26" height="26" aria-hidden="true">
            <path d="M3 27h7v-6h7v-6h6V9h6" fill="none" stroke="var(--tape)" strokeWidth="4.5" />
          </svg>
          <span className="max-lg:hidden">Meister</span>
        </NavLink>
        <nav
          aria-label="Rooms"
          className={`flex min-w-0 flex-1 gap-1 overflow-x-auto ${atWork ? 'max-lg:hidden' : ''}`}
        >
          {rooms.map(
            ([name, to, may]) =>
              may && (
                <NavLink
                  key={to}
                  to={to}
                  className={({ isActive }) =>
                    `flex min-h-12 items-center px-2 font-head font-medium no-underline hover:bg-ground md:px-3 ${isActive ? 'taped' : 'text-soft'}`
                  }
                >
                  {name}
                </NavLink>
              ),
          )}
        </nav>
        <div className="ml-auto flex shrink-0 items-center gap-2 py-1.5 text-sm md:gap-3">
          <RunningBand />
          {waiting}
          <ClockKeeper />
          <span className="hidden text-soft min-[1440px]:inline">
            {hall.name}
            {edition && `, ${editionLabel(edition)}`}
          </span>
          {atWork && <FloorLook />}
          <Button
            onClick={() => setOpen('commands')}
            aria-keyshortcuts="/"
            aria-label="Go to"
            className={atWork ? 'max-lg:hidden' : 'max-sm:px-2'}
          >
            <span className="max-sm:hidden">Go to</span>{' '}
            <kbd className="border border-rule px-1.5 text-xs max-sm:border-0">/</kbd>
          </Button>
          <Button
            aria-label="Help with this screen"
            aria-keyshortcuts="?"
            className="max-sm:px-2"
            onClick={() => setOpen('keys')}
          >
            ?
          </Button>
          <NavLink
            to="/me"
            className="inline-flex min-h-9 items-center px-1"
            aria-label={`${me.name}: account, change of coach`}
          >
            {/* Whose a shared tablet is now is read at once; there are few rooms beside it. */}
            <span className={me.floorOnly ? 'md:hidden' : 'min-[1440px]:hidden'}>{initials(me.name)}</span>
            <span className={me.floorOnly ? 'hidden md:inline' : 'hidden min-[1440px]:inline'}>
              {me.name}, {me.floorOnly ? 'floor only' : me.role}
            </span>
          </NavLink>
        </div>
      </header>
      <main id="room" className={`px-4 md:px-6 ${atWork ? 'py-2 lg:py-4' : 'py-4'}`}>
        <Outlet />
      </main>
      <SureDialog />
      <CommandBar
        open={open === 'commands'}
        onClose={() => setOpen(null)}
        onShortcuts={() => setOpen('keys')}
      />
      <Dialog title="Help with this screen" open={open === 'keys'} onClose={() => setOpen(null)}>
        <Suspense fallback={<p className="text-soft">One moment …</p>}>
          <HelpWith address={pathname} onLeave={() => setOpen(null)} />
        </Suspense>
        <h3 className="mt-4">Keys</h3>
        <dl className="mt-1 grid grid-cols-[8rem_1fr] gap-y-2">
          {KEYS.map(([key, what]) => (
            <div key={key} className="contents">
              <dt>
                <kbd className="border border-soft px-2 py-0.5">{key}</kbd>
              </dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
      </Dialog>
    </>
  );
}
