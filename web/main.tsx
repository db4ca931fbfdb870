import './styles.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { lazy, StrictMode, Suspense, useEffect } from 'react';
import type { ComponentType, ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { Outbox } from './log/index.ts';
import { queryClient, queryOf, SignedIn, useAsk, useSigned } from './shell/index.ts';
import type { Signed } from './shell/index.ts';
import { Shell } from './shell/shell.tsx';
import { Loaded, Notice, writeDatesAs } from './ui/index.ts';

const page = <M,>(load: () => Promise<M>, pick: (module: M) => ComponentType) =>
  lazy(async () => ({ default: pick(await load()) }));
const library = () => import('./library/pages.ts');
const editor = () => import('./library/write/pages.ts');
const people = () => import('./people/index.ts');
const log = () => import('./log/pages.ts');
const fault = () => import('./fault/pages.ts');
const floor = () => import('./floor/pages.ts');
const plan = () => import('./plan/pages.ts');
const eye = () => import('./eye/pages.ts');
const ladders = () => import('./ladders/index.ts');
const changes = () => import('./changes/index.ts');
const body = () => import('./body/pages.ts');
const kit = () => import('./kit/pages.ts');
const hall = () => import('./hall/index.ts');
const guide = () => import('./guide/index.ts');
const sheets = () => import('./sheets/pages.ts');

const LibraryRoom = page(library, (m) => m.LibraryRoom);
const Editor = page(editor, (m) => m.Editor);
const NewVariation = page(editor, (m) => m.NewVariation);
const HealthPage = page(library, (m) => m.HealthPage);
const NewerPage = page(library, (m) => m.NewerPage);
const SittingPage = page(library, (m) => m.SittingPage);
const MergePage = page(library, (m) => m.MergePage);
const History = page(library, (m) => m.History);
const PrintRoom = page(sheets, (m) => m.PrintRoom);
const ScanPage = page(sheets, (m) => m.ScanPage);
const SharesPage = page(sheets, (m) => m.SharesPage);
const SharedPage = page(sheets, (m) => m.SharedPage);
const People = page(people, (m) => m.People);
const PersonPage = page(people, (m) => m.PersonPage);
const TrialsPage = page(people, (m) => m.TrialsPage);
const OverviewPage = page(people, (m) => m.OverviewPage);
const TodayPage = page(floor, (m) => m.TodayPage);
const GroupPage = page(floor, (m) => m.GroupPage);
const PlanPage = page(plan, (m) => m.PlanPage);
const HourPage = page(plan, (m) => m.HourPage);
const EyePage = page(eye, (m) => m.EyePage);
const MeasurePage = page(eye, (m) => m.MeasurePage);
const WarmUpPage = page(plan, (m) => m.WarmUpPage);
const CsvPage = page(log, (m) => m.CsvPage);
const own = () => import('./own/pages.ts');
const OwnPage = page(own, (m) => m.OwnPage);
const LogPage = page(log, (m) => m.LogPage);
const PaperEntry = page(log, (m) => m.PaperEntry);
const DeskPage = page(fault, (m) => m.DeskPage);
const RatePage = page(fault, (m) => m.RatePage);
const FaultReportPage = page(fault, (m) => m.FaultReportPage);
const Ladders = page(ladders, (m) => m.Ladders);
const LadderRoom = page(ladders, (m) => m.LadderRoom);
const BodyRoom = page(body, (m) => m.BodyRoom);
const PurposePage = page(body, (m) => m.PurposePage);
const KitRoom = page(kit, (m) => m.KitRoom);
const Changes = page(changes, (m) => m.Changes);
const ChangePage = page(changes, (m) => m.ChangePage);
const GuideRoom = page(guide, (m) => m.GuideRoom);
const AccountPage = page(hall, (m) => m.AccountPage);
const Hall = page(hall, (m) => m.Hall);

function Home() {
  const { me } = useSigned();
  return (
    <Navigate to={me.role === 'viewer' ? '/library' : me.role === 'coach' ? '/floor' : '/overview'} replace />
  );
}

function Nowhere() {
  return <Notice tone="warn">There is no such page. Press / to go somewhere.</Notice>;
}

function Broken() {
  return (
    <main className="p-6">
      <Notice tone="warn">
        This page broke. What you logged is kept. <a href={location.pathname}>Load it again</a>.
      </Notice>
    </main>
  );
}

// Who is signed in needs neither.
const FirstAccount = lazy(async () => ({ default: (await import('./shell/sign-in.tsx')).FirstAccount }));
const SignIn = lazy(async () => ({ default: (await import('./shell/sign-in.tsx')).SignIn }));

const waiting = (element: ReactNode) => (
  <Suspense fallback={<p className="p-4 text-soft">One moment …</p>}>{element}</Suspense>
);

const router = createBrowserRouter([
  { path: '/print', element: waiting(<PrintRoom />), errorElement: <Broken /> },
  {
    element: <Shell waiting={<Outbox />} />,
    errorElement: <Broken />,
    children: [
      { path: '/', element: <Home /> },
      { path: '/floor', element: waiting(<TodayPage />) },
      { path: '/floor/session', element: waiting(<GroupPage />) },
      { path: '/floor/plan', element: waiting(<PlanPage />) },
      { path: '/floor/measure', element: waiting(<MeasurePage />) },
      { path: '/floor/warm-up', element: waiting(<WarmUpPage />) },
      { path: '/floor/hours/:id', element: waiting(<HourPage />) },
      { path: '/guide', element: waiting(<GuideRoom />) },
      { path: '/sets', element: waiting(<CsvPage />) },
      { path: '/floor/:id', element: waiting(<LogPage />) },
      { path: '/floor/:id/paper', element: waiting(<PaperEntry />) },
      { path: '/faults', element: waiting(<DeskPage />) },
      { path: '/faults/eye', element: waiting(<EyePage />) },
      { path: '/faults/rate', element: waiting(<RatePage />) },
      { path: '/faults/report', element: waiting(<FaultReportPage />) },
      { path: '/overview', element: waiting(<OverviewPage />) },
      { path: '/people', element: waiting(<People />) },
      { path: '/people/:id', element: waiting(<PersonPage />) },
      { path: '/people/:id/trials', element: waiting(<TrialsPage />) },
      { path: '/library', element: waiting(<LibraryRoom />) },
      { path: '/library/new/variation', element: waiting(<NewVariation />) },
      { path: '/library/newer', element: waiting(<NewerPage />) },
      { path: '/library/questions', element: waiting(<SittingPage />) },
      { path: '/library/health', element: waiting(<HealthPage />) },
      { path: '/library/cue/:slug/merge', element: waiting(<MergePage />) },
      { path: '/library/:kind/:slug', element: waiting(<LibraryRoom />) },
      { path: '/library/:kind/:slug/edit', element: waiting(<Editor />) },
      { path: '/library/:kind/:slug/history', element: waiting(<History />) },
      { path: '/ladders', element: waiting(<Ladders />) },
      { path: '/ladders/:slug', element: waiting(<LadderRoom />) },
      { path: '/body', element: waiting(<BodyRoom />) },
      { path: '/body/purpose', element: waiting(<PurposePage />) },
      { path: '/kit', element: waiting(<KitRoom />) },
      { path: '/changes', element: waiting(<Changes />) },
      { path: '/changes/:id', element: waiting(<ChangePage />) },
      { path: '/me', element: waiting(<AccountPage />) },
      { path: '/hall', element: waiting(<Hall />) },
      { path: '/scan', element: waiting(<ScanPage />) },
      { path: '/shares', element: waiting(<SharesPage />) },
      { path: '*', element: <Nowhere /> },
    ],
  },
]);

function App() {
  const start = useAsk('start');
  const { refetch } = start;
  useEffect(() => {
    const again = () => void refetch();
    addEventListener('meister:signed-out', again);
    return () => removeEventListener('meister:signed-out', again);
  }, [refetch]);
  return (
    <Loaded query={start} what="the hall">
      {(data) => {
        if (data.empty) return waiting(<FirstAccount needsCode={data.needsCode} />);
        if (!data.me || !data.hall) return waiting(<SignIn start={data} />);
        // Every day on the page is written in the hall's language.
        writeDatesAs(data.hall.dates);
        return (
          <SignedIn key={data.hall.dates} value={data as Signed}>
            <RouterProvider router={router} />
          </SignedIn>
        );
      }}
    </Loaded>
  );
}

const at = (room: string) => location.pathname.split('/')[1] === room;

// The library is the largest room: what it needs is asked for while the hall's start is still on its way.
if (location.pathname.startsWith('/library')) {
  void library();
  void queryClient.prefetchQuery(queryOf('library'));
}

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      {/* A link shows its sheets or one's own day to whoever holds it, and nothing of the hall besides. */}
      {at('shared') ? waiting(<SharedPage />) : at('own') ? waiting(<OwnPage />) : <App />}
    </QueryClientProvider>
  </StrictMode>,
);
