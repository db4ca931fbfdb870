// Every address at which the server answers, once. The web asks and sends through this table and the server mounts it; the
// Joi of params, query and body stands in schemas.ts under the same names, so that none of it reaches the browser.
import type { PersonLine, Shown } from '../core/floor/index.ts';
import type { Instead } from '../core/demand/index.ts';
import type { Kind } from '../core/library/index.ts';
import type { Stage } from '../core/terms/index.ts';
import type { LoggedSet } from '../core/log/index.ts';
import type * as Access from './access.ts';
import type * as Eye from './eye.ts';
import type * as Fault from './fault.ts';
import type * as Fit from './fit.ts';
import type * as Hall from './hall.ts';
import type * as Kit from './kit.ts';
import type * as Library from './library.ts';
import type * as Log from './log.ts';
import type * as People from './people.ts';
import type * as Plan from './plan.ts';
import type * as Reports from './reports.ts';
import type * as Session from './session.ts';
import type * as Sheets from './sheets.ts';

export type Who = Access.StaffRole | 'anyone';

const ANYONE = ['anyone'] as const;
const STAFF = ['head coach', 'coach', 'viewer'] as const;
const COACHES = ['head coach', 'coach'] as const;
const HEAD = ['head coach'] as const;

/**
 * Whose it is: the hall's; one person's, or perhaps one's; some people's; or that of the device that has opened a link. The server lets
 * through only to people whom the one who asks looks after (their squad's, those they are named for, the head coach
 * everybody), and, where `cover` says so, to those whom they cover today.
 */
export type Whose = 'nobody' | 'one' | 'perhaps one' | 'some' | 'own link' | 'shared link';

/** What there is to read and to change; an answer is asked for anew when something that it reads was touched. */
export type Matter =
  | 'hall'
  | 'account'
  | 'staff'
  | 'squads'
  | 'library'
  | 'wishes'
  | 'changes'
  | 'drafts'
  | 'people'
  | 'body'
  | 'answers'
  | 'restrictions'
  | 'log'
  | 'standings'
  | 'check-ins'
  | 'reports'
  | 'cues'
  | 'faults'
  | 'ratings'
  | 'links'
  | 'cover'
  | 'hours'
  | 'eye';

const DECIDED_FROM = ['library', 'people', 'log', 'standings', 'restrictions', 'answers', 'reports'] as const;

interface Row<W extends readonly Who[], S extends Whose> {
  who: W;
  whose: S;
  /** Also of people who are covered for the day. */
  cover?: true;
  reads?: readonly Matter[];
  /** Absent on a request that changes something: everything. */
  touches?: readonly Matter[];
  /** Answers 201. */
  makes?: true;
  /** Carries the state of the library as its ETag, and may be kept by the browser. */
  etag?: true;
  /** The body is a file, as text. */
  file?: true;
  /** Asks for the password again: what goes out whole, is gone for good, or gives power. */
  sure?: true;
  /** Also open to who was changed to by PIN on a shared tablet. */
  floor?: true;
}

export type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

/** Header that says, by their id, as whom of the staff something is sent; it is taken from nobody else. */
export const SENT_AS = 'meister-sent-as';

/** What every address begins with. */
export const BEFORE_ALL = '/api/';

/** What goes in and comes out, for the types alone. */
interface Types {
  query?: object;
  body?: unknown;
  answer: unknown;
}

export interface Endpoint<
  M extends Method = Method,
  P extends string = string,
  W extends readonly Who[] = readonly Who[],
  S extends Whose = Whose,
  T extends Types = Types,
> extends Row<W, S> {
  method: M;
  path: P;
  /** Never there. */
  types?: T;
}

/** What an address answers with, what its query may ask, and what is sent to it. */
const answers =
  <T extends Types['answer'], Q extends object = object, B = undefined>() =>
  <M extends Method, P extends string, const W extends readonly Who[], S extends Whose>(
    method: M,
    path: P,
    row: Row<W, S>,
  ): Endpoint<M, P, W, S, { answer: T; query: Q; body: B }> => ({ method, path, ...row });

interface Ok {
  ok: true;
}
interface Made {
  id: string;
}
interface Received {
  receivedAt: string;
}
/** A file to be kept: the browser is led to it and asks for it itself. */
export interface File {
  file: string | Uint8Array;
  type: string;
  name: string;
}
/** Whom a sheet is read for. */
interface ReaderQuery {
  stage?: Stage | undefined;
  person?: string | undefined;
}
interface JobQuery {
  job: string;
}
interface StateQuery extends JobQuery {
  state: number;
}
interface PeopleQuery {
  people?: readonly string[] | undefined;
}

/** Who may do what, and what follows from it. An address that is not in here answers nobody. */
export const ENDPOINTS = {
  // access
  start: answers<Hall.Start>()('GET', '/api/start', {
    who: ANYONE,
    whose: 'nobody',
    reads: ['hall', 'staff', 'library'],
  }),
  makeFirstAccount: answers<Ok, object, Access.FirstAccountRequest>()('POST', '/api/first-account', {
    who: ANYONE,
    whose: 'nobody',
  }),
  signIn: answers<Ok, object, Access.SignInRequest>()('POST', '/api/sign-in', {
    who: ANYONE,
    whose: 'nobody',
  }),
  signOut: answers<Ok>()('POST', '/api/sign-out', { who: ANYONE, whose: 'nobody' }),
  account: answers<Access.Account>()('GET', '/api/me', { who: STAFF, whose: 'nobody', reads: ['account'] }),
  savePassword: answers<Ok, object, Access.PasswordRequest>()('PUT', '/api/me/password', {
    who: STAFF,
    whose: 'nobody',
    touches: ['account'],
  }),
  makeSure: answers<Ok, object, Access.SureRequest>()('POST', '/api/me/sure', {
    who: STAFF,
    whose: 'nobody',
    touches: [],
  }),
  endSession: answers<Ok>()('DELETE', '/api/me/sessions/:id', {
    who: STAFF,
    whose: 'nobody',
    touches: ['account'],
  }),
  offerCodes: answers<Access.CodesOffered>()('POST', '/api/me/codes', {
    who: STAFF,
    whose: 'nobody',
    sure: true,
    touches: [],
  }),
  startCodes: answers<{ recovery: string[] }, object, Access.CodeRequest>()('PUT', '/api/me/codes', {
    who: STAFF,
    whose: 'nobody',
    touches: ['account'],
  }),
  dropCodes: answers<Ok>()('DELETE', '/api/me/codes', {
    who: STAFF,
    whose: 'nobody',
    sure: true,
    touches: ['account'],
  }),
  savePin: answers<Ok, object, Access.PinRequest>()('PUT', '/api/me/pin', {
    who: COACHES,
    whose: 'nobody',
    sure: true,
    touches: ['account'],
  }),
  colleagues: answers<Access.Colleague[]>()('GET', '/api/colleagues', {
    who: COACHES,
    whose: 'nobody',
    floor: true,
    reads: ['staff', 'account'],
  }),
  // Another coach takes the tablet over; everything that is on it is read anew.
  changeCoach: answers<Ok, object, Access.ChangeCoachRequest>()('POST', '/api/colleagues/change', {
    who: COACHES,
    whose: 'nobody',
    floor: true,
  }),
  heartbeat: answers<Hall.Heartbeat>()('GET', '/api/heartbeat', { who: STAFF, whose: 'nobody', floor: true }),

  // hall
  saveHall: answers<Ok, object, Hall.HallSettings>()('PUT', '/api/hall', {
    who: HEAD,
    whose: 'nobody',
    // Its day, units and name stand in nearly everything.
  }),
  staff: answers<Hall.StaffMember[]>()('GET', '/api/staff', { who: HEAD, whose: 'nobody', reads: ['staff'] }),
  addStaff: answers<Made, object, Hall.NewStaff>()('POST', '/api/staff', {
    who: HEAD,
    whose: 'nobody',
    sure: true,
    touches: ['staff'],
    makes: true,
  }),
  saveStaff: answers<Ok, object, Hall.StaffEdit>()('PUT', '/api/staff/:id', {
    who: HEAD,
    whose: 'nobody',
    sure: true,
    touches: ['staff'],
  }),
  squads: answers<Hall.Squad[]>()('GET', '/api/squads', {
    who: COACHES,
    whose: 'nobody',
    floor: true,
    reads: ['squads'],
  }),
  addSquad: answers<Made, object, Hall.SquadRequest>()('POST', '/api/squads', {
    who: HEAD,
    whose: 'nobody',
    touches: ['squads'],
    makes: true,
  }),
  saveSquad: answers<Ok, object, Hall.SquadRequest>()('PUT', '/api/squads/:id', {
    who: HEAD,
    whose: 'nobody',
    touches: ['squads'],
  }),
  // Everybody reads a sheet, and what of it the hall has.
  kit: answers<Kit.PieceInHall[]>()('GET', '/api/kit', {
    who: STAFF,
    whose: 'nobody',
    floor: true,
    reads: ['library'],
  }),
  savePieces: answers<Ok, object, Kit.PiecesRequest>()('PUT', '/api/kit', {
    who: HEAD,
    whose: 'nobody',
    // Sheets and decisions say what the hall has.
    touches: ['library'],
  }),
  removePiece: answers<Ok>()('DELETE', '/api/kit/:id', {
    who: HEAD,
    whose: 'nobody',
    touches: ['library'],
  }),
  // Whoever stands beside a band that has cracked takes it away.
  flagPiece: answers<Ok, object, Kit.FlagRequest>()('PUT', '/api/kit/:id/condition', {
    who: COACHES,
    whose: 'nobody',
    floor: true,
    touches: ['library'],
  }),
  // How it is set is read by whoever stands beside them.
  fit: answers<Fit.FitForPerson>()('GET', '/api/people/:person/fit/:slug', {
    who: COACHES,
    whose: 'one',
    floor: true,
    cover: true,
    reads: ['library', 'body', 'people', 'log', 'answers', 'hall'],
  }),
  runs: answers<Fit.RunsOfHall>()('GET', '/api/kit/runs', {
    who: COACHES,
    whose: 'some',
    reads: ['library', 'body', 'people', 'restrictions', 'answers', 'standings'],
  }),
  // What is taken out of use is told of with the people whom it concerns.
  closes: answers<Fit.Closes, { without?: readonly string[] | undefined }>()('GET', '/api/kit/closes', {
    who: COACHES,
    whose: 'some',
    reads: ['library', 'body', 'people', 'restrictions', 'answers', 'standings'],
  }),
  purchases: answers<Fit.Purchases>()('GET', '/api/kit/purchases', {
    who: HEAD,
    whose: 'some',
    reads: ['library', 'body', 'people', 'restrictions', 'answers', 'standings', 'wishes'],
  }),
  saveWish: answers<Ok, object, Kit.WishRequest>()('PUT', '/api/kit/wishes/:id', {
    who: HEAD,
    whose: 'nobody',
    touches: ['wishes'],
  }),
  dropWish: answers<Ok>()('DELETE', '/api/kit/wishes/:id', {
    who: HEAD,
    whose: 'nobody',
    touches: ['wishes'],
  }),
  pieceHistory: answers<Kit.PieceEdit[]>()('GET', '/api/kit/:id/history', {
    who: COACHES,
    whose: 'nobody',
    reads: ['library'],
  }),
  backup: answers<File>()('GET', '/api/backup', { who: HEAD, whose: 'nobody', sure: true }),

  // library
  library: answers<Library.LibraryList>()('GET', '/api/library', {
    who: STAFF,
    whose: 'nobody',
    floor: true,
    reads: ['library'],
    etag: true,
  }),
  health: answers<Library.Health>()('GET', '/api/library/health', {
    who: COACHES,
    whose: 'nobody',
    reads: ['library'],
  }),
  checkDocuments: answers<Library.CheckResult, object, Library.CheckRequest>()('POST', '/api/library/check', {
    who: COACHES,
    whose: 'nobody',
    reads: ['library'],
    touches: [],
  }),
  exportLibrary: answers<File>()('GET', '/api/library/export', { who: STAFF, whose: 'nobody' }),
  librarySchema: answers<Record<string, unknown>>()('GET', '/api/library/schema', {
    who: ANYONE,
    whose: 'nobody',
  }),
  importLibrary: answers<{ documents: number }, object, string>()('POST', '/api/library/import', {
    who: HEAD,
    whose: 'nobody',
    touches: ['library', 'changes'],
    makes: true,
    file: true,
  }),
  shippedLibrary: answers<Library.ShippedLibrary>()('GET', '/api/library/shipped', {
    who: HEAD,
    whose: 'nobody',
  }),
  newerEdition: answers<Library.NewerEdition>()('GET', '/api/library/newer', {
    who: HEAD,
    whose: 'nobody',
    reads: ['library'],
  }),
  newerDocument: answers<Library.NewerDocument>()('GET', '/api/library/newer/:kind/:slug', {
    who: HEAD,
    whose: 'nobody',
    reads: ['library'],
  }),
  takeOver: answers<Library.SaveResult, object, Library.TakeOverRequest>()('POST', '/api/library/newer', {
    who: HEAD,
    whose: 'nobody',
    touches: ['library', 'changes'],
  }),
  beginWithShipped: answers<{ documents: number }, object, Library.BeginRequest>()(
    'POST',
    '/api/library/shipped',
    {
      who: HEAD,
      whose: 'nobody',
      touches: ['library', 'changes'],
      makes: true,
    },
  ),
  mergePlan: answers<Library.MergePlan>()('GET', '/api/library/cue/:slug/merge/:keep', {
    who: COACHES,
    whose: 'nobody',
    reads: ['library'],
  }),
  mergeCues: answers<Library.SaveResult, object, Library.MergeRequest>()(
    'POST',
    '/api/library/cue/:slug/merge/:keep',
    { who: COACHES, whose: 'nobody', touches: ['library', 'changes'] },
  ),
  peopleAnswering: answers<People.NamedAnswer[]>()('GET', '/api/library/houseQuestion/:slug/people', {
    who: COACHES,
    whose: 'some',
    reads: ['answers', 'people'],
  }),
  document: answers<Library.EntryInForce>()('GET', '/api/library/:kind/:slug', {
    who: STAFF,
    whose: 'nobody',
    floor: true,
    reads: ['library'],
  }),
  saveDocument: answers<Library.SaveResult, object, Library.SaveRequest>()(
    'PUT',
    '/api/library/:kind/:slug',
    {
      who: COACHES,
      whose: 'nobody',
      touches: ['library', 'changes', 'drafts'],
    },
  ),
  revisions: answers<Library.RevisionSummary[]>()('GET', '/api/library/:kind/:slug/revisions', {
    who: STAFF,
    whose: 'nobody',
    reads: ['library'],
  }),
  revision: answers<Library.RevisionBody>()('GET', '/api/library/:kind/:slug/revisions/:number', {
    who: STAFF,
    whose: 'nobody',
  }),
  sheet: answers<Library.Sheet, ReaderQuery>()('GET', '/api/sheets/:slug', {
    who: STAFF,
    whose: 'perhaps one',
    floor: true,
    cover: true,
    reads: ['library', 'answers'],
  }),
  instead: answers<Instead, ReaderQuery & { without?: readonly string[] | undefined }>()(
    'GET',
    '/api/instead/:slug',
    {
      who: STAFF,
      whose: 'perhaps one',
      floor: true,
      cover: true,
      reads: ['library', 'body', 'answers', 'restrictions'],
    },
  ),
  changes: answers<Library.ChangeSummary[]>()('GET', '/api/changes', {
    who: COACHES,
    whose: 'nobody',
    reads: ['changes'],
  }),
  change: answers<Library.ChangeDetail>()('GET', '/api/changes/:id', {
    who: COACHES,
    whose: 'nobody',
    reads: ['changes', 'library'],
  }),
  checkChange: answers<Library.CheckResult>()('GET', '/api/changes/:id/check', {
    who: COACHES,
    whose: 'nobody',
    reads: ['changes', 'library'],
  }),
  decideChange: answers<Ok, object, Library.DecideChangeRequest>()('POST', '/api/changes/:id/decision', {
    who: HEAD,
    whose: 'nobody',
    touches: ['library', 'changes'],
  }),
  draft: answers<Library.Draft | null>()('GET', '/api/drafts/:kind/:slug', {
    who: COACHES,
    whose: 'nobody',
    reads: ['drafts'],
  }),
  saveDraft: answers<{ at: string }, object, Library.DraftRequest>()('PUT', '/api/drafts/:kind/:slug', {
    who: COACHES,
    whose: 'nobody',
    touches: ['drafts'],
  }),
  dropDraft: answers<Ok>()('DELETE', '/api/drafts/:kind/:slug', {
    who: COACHES,
    whose: 'nobody',
    touches: ['drafts'],
  }),
  editions: answers<Library.EditionRow[]>()('GET', '/api/editions', {
    who: STAFF,
    whose: 'nobody',
    reads: ['library'],
  }),
  nameEdition: answers<{ number: number }, object, Library.EditionRequest>()('POST', '/api/editions', {
    who: HEAD,
    whose: 'nobody',
    touches: ['library'],
    makes: true,
  }),

  // people
  people: answers<People.PersonRow[]>()('GET', '/api/people', {
    who: COACHES,
    whose: 'some',
    floor: true,
    cover: true,
    reads: ['people'],
  }),
  addPerson: answers<Made, object, People.PersonRequest>()('POST', '/api/people', {
    who: HEAD,
    whose: 'nobody',
    touches: ['people'],
    makes: true,
  }),
  addPeople: answers<{ added: number }, object, People.PeopleRequest>()('POST', '/api/people/several', {
    who: HEAD,
    whose: 'nobody',
    touches: ['people', 'squads'],
    makes: true,
  }),
  savePerson: answers<Ok, object, People.PersonRequest>()('PUT', '/api/people/:person', {
    who: HEAD,
    whose: 'one',
    touches: ['people'],
  }),
  erasePerson: answers<Ok, object, People.EraseRequest>()('DELETE', '/api/people/:person', {
    who: HEAD,
    whose: 'one',
    sure: true,
  }),
  exportPerson: answers<File>()('GET', '/api/people/:person/export', { who: HEAD, whose: 'one', sure: true }),
  answers: answers<People.PersonAnswer[]>()('GET', '/api/people/:person/answers', {
    who: COACHES,
    whose: 'one',
    reads: ['answers'],
  }),
  saveAnswer: answers<Ok, object, People.PersonAnswerRequest>()(
    'PUT',
    '/api/people/:person/answers/:question',
    { who: HEAD, whose: 'one', touches: ['answers'] },
  ),
  dropAnswer: answers<Ok>()('DELETE', '/api/people/:person/answers/:question', {
    who: HEAD,
    whose: 'one',
    touches: ['answers'],
  }),
  builds: answers<People.PersonBuild[]>()('GET', '/api/builds', {
    who: COACHES,
    whose: 'some',
    floor: true,
    reads: ['body', 'people'],
  }),
  build: answers<People.PersonBuild>()('GET', '/api/people/:person/build', {
    who: COACHES,
    whose: 'one',
    floor: true,
    reads: ['body', 'people'],
  }),
  saveBuild: answers<Ok, object, People.BuildRequest>()('PUT', '/api/people/:person/build', {
    who: COACHES,
    whose: 'one',
    touches: ['body'],
  }),
  addRangeTest: answers<Made, object, People.RangeTestRequest>()('POST', '/api/people/:person/range-tests', {
    who: COACHES,
    whose: 'one',
    touches: ['body'],
    makes: true,
  }),
  dropRangeTest: answers<Ok>()('DELETE', '/api/range-tests/:id', {
    who: COACHES,
    whose: 'one',
    touches: ['body'],
  }),
  footLoads: answers<People.FootLoadRow[]>()('GET', '/api/people/:person/foot-loads', {
    who: COACHES,
    whose: 'one',
    reads: ['body'],
  }),
  addFootLoad: answers<Made, object, People.FootLoadRequest>()('POST', '/api/people/:person/foot-loads', {
    who: COACHES,
    whose: 'one',
    touches: ['body'],
    makes: true,
  }),
  dropFootLoad: answers<Ok>()('DELETE', '/api/foot-loads/:id', {
    who: COACHES,
    whose: 'one',
    touches: ['body'],
  }),
  corrections: answers<People.CorrectionRow[]>()('GET', '/api/people/:person/corrections', {
    who: COACHES,
    whose: 'one',
    reads: ['people', 'body', 'answers', 'check-ins', 'faults', 'cues'],
  }),
  restrictions: answers<People.RestrictionRow[]>()('GET', '/api/people/:person/restrictions', {
    who: COACHES,
    whose: 'one',
    reads: ['restrictions'],
  }),
  addRestriction: answers<Made, object, People.RestrictionRequest>()(
    'POST',
    '/api/people/:person/restrictions',
    { who: HEAD, whose: 'one', touches: ['restrictions'], makes: true },
  ),
  liftRestriction: answers<Ok, object, People.LiftRequest>()('POST', '/api/restrictions/:id/lift', {
    who: HEAD,
    whose: 'one',
    touches: ['restrictions'],
  }),

  // cover
  covers: answers<People.CoverRow[]>()('GET', '/api/cover', {
    who: COACHES,
    whose: 'some',
    floor: true,
    cover: true,
    reads: ['cover', 'people'],
  }),
  coverable: answers<People.Coverable[]>()('GET', '/api/cover/expected', {
    who: COACHES,
    // The names of those expected today alone: whoever covers them has to find them.
    whose: 'nobody',
    floor: true,
    reads: ['cover', 'people', 'squads', 'check-ins'],
  }),
  takeCover: answers<Ok, object, People.CoverRequest>()('POST', '/api/cover', {
    who: COACHES,
    whose: 'nobody',
    floor: true,
    touches: ['cover', 'people'],
    makes: true,
  }),
  endCover: answers<Ok>()('POST', '/api/cover/:id/end', {
    who: COACHES,
    whose: 'one',
    floor: true,
    cover: true,
    touches: ['cover', 'people'],
  }),

  // pain that was told, and stops
  reports: answers<Reports.ReportToRead[]>()('GET', '/api/reports', {
    who: COACHES,
    whose: 'some',
    reads: ['reports', 'people', 'library'],
  }),
  takeNote: answers<Ok, object, Reports.ReadRequest>()('POST', '/api/reports/read', {
    who: COACHES,
    whose: 'some',
    touches: ['reports'],
  }),
  stopsOf: answers<Reports.StopsOfPerson>()('GET', '/api/people/:person/stops', {
    who: COACHES,
    whose: 'one',
    reads: ['reports', 'library'],
  }),
  keepStop: answers<Received, object, Reports.StopRequest>()('PUT', '/api/stops/:id', {
    who: COACHES,
    whose: 'one',
    floor: true,
    cover: true,
    touches: ['reports'],
  }),
  clear: answers<Ok, object, Reports.ClearRequest>()('POST', '/api/people/:person/clearances', {
    who: HEAD,
    whose: 'one',
    touches: ['reports'],
    makes: true,
  }),

  // log
  overview: answers<PersonLine[]>()('GET', '/api/overview', {
    who: COACHES,
    whose: 'some',
    reads: DECIDED_FROM,
  }),
  today: answers<Session.Today, PeopleQuery & { squad?: string | undefined }>()('GET', '/api/today', {
    who: COACHES,
    whose: 'some',
    floor: true,
    cover: true,
    reads: [...DECIDED_FROM, 'squads', 'check-ins', 'cues', 'body'],
  }),
  personOnLadders: answers<Log.PersonOnLadders>()('GET', '/api/people/:person/ladders', {
    who: COACHES,
    whose: 'one',
    floor: true,
    reads: DECIDED_FROM,
  }),
  olderSets: answers<Session.PersonHistory, { before?: string | undefined }>()(
    'GET',
    '/api/people/:person/sets',
    { who: COACHES, whose: 'one', floor: true, reads: ['log'] },
  ),
  measures: answers<Shown<LoggedSet>[], { of?: readonly string[] | undefined }>()(
    'GET',
    '/api/people/:person/measures',
    { who: COACHES, whose: 'one', reads: ['log'] },
  ),
  place: answers<Made, object, Log.PlaceRequest>()('POST', '/api/people/:person/place', {
    who: COACHES,
    whose: 'one',
    touches: ['standings'],
    makes: true,
  }),
  changeForm: answers<Made, object, Log.FormRequest>()('POST', '/api/people/:person/form', {
    who: COACHES,
    whose: 'one',
    touches: ['standings'],
    makes: true,
  }),
  confirm: answers<Made, object, Log.ConfirmRequest>()('POST', '/api/people/:person/moves', {
    who: COACHES,
    whose: 'one',
    cover: true,
    touches: ['standings', 'reports'],
    makes: true,
  }),
  signOff: answers<Made, object, Session.SignOffRequest>()('POST', '/api/people/:person/sign-offs', {
    who: COACHES,
    whose: 'one',
    touches: ['standings'],
    makes: true,
  }),
  placements: answers<Shown<Session.PlacementRow>[]>()('GET', '/api/people/:person/placements', {
    who: COACHES,
    whose: 'one',
    reads: ['standings'],
  }),
  nextTrial: answers<Session.PlacementAnswer, object, Session.PlacementRequest>()(
    'POST',
    '/api/people/:person/placements/next',
    { who: COACHES, whose: 'one', touches: [] },
  ),
  keepPlacement: answers<Session.PlacementKept, object, Session.PlacementRequest>()(
    'POST',
    '/api/people/:person/placements',
    { who: COACHES, whose: 'one', touches: ['standings', 'reports'], makes: true },
  ),
  saveCheckIn: answers<Received, object, Session.CheckIn>()('PUT', '/api/people/:person/check-in/:date', {
    who: COACHES,
    whose: 'one',
    floor: true,
    cover: true,
    touches: ['check-ins', 'log', 'reports'],
  }),
  keepCueTried: answers<Received, object, Session.CueTriedRequest>()('PUT', '/api/cues-tried/:id', {
    who: COACHES,
    whose: 'one',
    floor: true,
    cover: true,
    touches: ['cues'],
  }),
  keepSet: answers<Log.SetResult, object, Log.SetRequest>()('PUT', '/api/sets/:id', {
    who: COACHES,
    whose: 'one',
    floor: true,
    cover: true,
    touches: ['log', 'reports'],
  }),
  deleteSet: answers<Log.SetResult, object, Log.DeleteSetRequest>()('DELETE', '/api/sets/:id', {
    who: COACHES,
    whose: 'perhaps one',
    floor: true,
    cover: true,
    touches: ['log', 'reports'],
  }),
  setsCsv: answers<
    File,
    {
      squad?: string | undefined;
      person?: string | undefined;
      from?: string | undefined;
      to?: string | undefined;
    }
  >()('GET', '/api/sets.csv', { who: COACHES, whose: 'some', sure: true }),
  previewCsv: answers<Session.CsvPreview, object, Session.CsvRequest>()('POST', '/api/sets/csv/preview', {
    who: COACHES,
    whose: 'some',
    touches: [],
  }),
  importCsv: answers<Session.CsvResult, object, Session.CsvRequest>()('POST', '/api/sets/csv', {
    who: COACHES,
    whose: 'some',
    touches: ['log', 'reports'],
    makes: true,
  }),
  tryLadder: answers<Session.TryResult, object, Session.TryRequest>()('POST', '/api/ladders/try', {
    who: COACHES,
    whose: 'one',
    reads: DECIDED_FROM,
    touches: [],
  }),
  ownLinks: answers<Session.OwnLinkRow[]>()('GET', '/api/people/:person/own-links', {
    who: COACHES,
    whose: 'one',
    reads: ['links'],
  }),
  makeOwnLink: answers<Session.OwnLinkMade, object, Session.OwnLinkRequest>()(
    'POST',
    '/api/people/:person/own-links',
    { who: COACHES, whose: 'one', touches: ['links'], makes: true },
  ),
  revokeOwnLink: answers<Ok>()('POST', '/api/own-links/:id/revoke', {
    who: COACHES,
    whose: 'one',
    touches: ['links'],
  }),
  // Whoever shows the link's token: their device is known from then on.
  openOwn: answers<Made, object, Access.LinkRequest>()('POST', '/api/own', {
    who: ANYONE,
    whose: 'nobody',
    touches: [],
  }),
  ownDay: answers<Session.OwnDay, { have?: readonly string[] | undefined }>()('GET', '/api/own/:link', {
    who: ANYONE,
    whose: 'own link',
    reads: ['log', 'standings', 'reports'],
  }),
  keepOwnSet: answers<Log.SetResult, object, Log.SetRequest>()('PUT', '/api/own/:link/sets/:id', {
    who: ANYONE,
    whose: 'own link',
    touches: ['log', 'reports'],
  }),
  keepOwnStop: answers<Received, object, Reports.OwnStopRequest>()('PUT', '/api/own/:link/stops/:id', {
    who: ANYONE,
    whose: 'own link',
    touches: ['reports'],
  }),
  deleteOwnSet: answers<Log.SetResult, object, Log.DeleteSetRequest>()('DELETE', '/api/own/:link/sets/:id', {
    who: ANYONE,
    whose: 'own link',
    touches: ['log', 'reports'],
  }),

  // plan
  hourNeeds: answers<Plan.HourNeeds, PeopleQuery>()('GET', '/api/plan/needs', {
    who: COACHES,
    whose: 'some',
    cover: true,
    floor: true,
    reads: [...DECIDED_FROM, 'body', 'faults'],
  }),
  warmUps: answers<Plan.WarmUps, PeopleQuery>()('GET', '/api/plan/warm-ups', {
    who: COACHES,
    whose: 'some',
    cover: true,
    floor: true,
    reads: [...DECIDED_FROM, 'body'],
  }),
  hours: answers<Plan.HourRow[]>()('GET', '/api/plan/hours', {
    who: COACHES,
    whose: 'some',
    cover: true,
    floor: true,
    reads: ['hours'],
  }),
  hour: answers<Plan.StoredHour>()('GET', '/api/plan/hours/:id', {
    who: COACHES,
    whose: 'some',
    cover: true,
    floor: true,
    reads: ['hours', 'log', 'reports', 'restrictions'],
  }),
  saveHour: answers<Plan.StoredHour, object, Plan.HourRequest>()('PUT', '/api/plan/hours/:id', {
    who: COACHES,
    whose: 'some',
    cover: true,
    floor: true,
    touches: ['hours'],
  }),
  dropHour: answers<Ok, object, { edit: number }>()('DELETE', '/api/plan/hours/:id', {
    who: COACHES,
    whose: 'some',
    cover: true,
    floor: true,
    touches: ['hours'],
  }),

  // eye
  eye: answers<Eye.PersonEye>()('GET', '/api/people/:person/eye', {
    who: COACHES,
    whose: 'one',
    cover: true,
    floor: true,
    reads: ['eye'],
  }),
  keepConsent: answers<Ok, object, Eye.ConsentRequest>()('PUT', '/api/people/:person/eye/consent', {
    who: COACHES,
    whose: 'one',
    floor: true,
    touches: ['eye'],
  }),
  keepMeasurement: answers<Received, object, Eye.MeasurementRequest>()('PUT', '/api/measurements/:id', {
    who: COACHES,
    whose: 'one',
    cover: true,
    floor: true,
    touches: ['eye'],
  }),
  dropMeasurement: answers<Ok, object, { personId: string }>()('DELETE', '/api/measurements/:id', {
    who: COACHES,
    whose: 'one',
    touches: ['eye'],
  }),
  measuredTrack: answers<{ track: string | null }>()('GET', '/api/people/:person/eye/:id/track', {
    who: COACHES,
    whose: 'one',
    reads: ['eye'],
  }),
  keepTrial: answers<Ok, object, Eye.TrialRequest>()('PUT', '/api/eye/trials/:id', {
    who: COACHES,
    whose: 'nobody',
    floor: true,
    touches: ['eye'],
  }),
  trials: answers<Eye.Trials>()('GET', '/api/eye/trials', {
    who: COACHES,
    whose: 'nobody',
    floor: true,
    reads: ['eye'],
  }),
  eyeChecked: answers<Eye.EyeChecked>()('GET', '/api/eye/checked', {
    who: COACHES,
    whose: 'nobody',
    floor: true,
    reads: ['eye'],
  }),

  // faults
  desk: answers<Fault.DeskKnowledge, PeopleQuery>()('GET', '/api/faults/desk', {
    who: COACHES,
    whose: 'some',
    floor: true,
    cover: true,
    reads: ['library', 'faults', 'log', 'restrictions'],
  }),
  keepCase: answers<Received, object, Fault.CaseRequest>()('PUT', '/api/fault-cases/:id', {
    who: COACHES,
    whose: 'one',
    floor: true,
    cover: true,
    touches: ['faults', 'reports'],
  }),
  keepChainTry: answers<Received, object, Fault.ChainTryRequest>()('PUT', '/api/chain-tries/:id', {
    who: COACHES,
    whose: 'one',
    floor: true,
    touches: ['faults'],
  }),
  setsToRate: answers<Fault.SetToRate[], PeopleQuery>()('GET', '/api/ratings', {
    who: COACHES,
    whose: 'some',
    floor: true,
    reads: ['log', 'ratings'],
  }),
  rateSet: answers<Received, object, Fault.RatingRequest>()('PUT', '/api/ratings/:id', {
    who: COACHES,
    whose: 'one',
    floor: true,
    touches: ['ratings'],
  }),
  faultReport: answers<Fault.FaultReport, { days?: number | undefined }>()('GET', '/api/faults/report', {
    who: HEAD,
    whose: 'nobody',
    reads: ['library', 'log', 'faults', 'ratings', 'people'],
  }),

  // sheets
  prints: answers<Sheets.PrintJob, JobQuery & { person?: string | undefined }>()('GET', '/api/prints', {
    who: STAFF,
    whose: 'perhaps one',
    cover: true,
    reads: ['hall', ...DECIDED_FROM],
  }),
  printedState: answers<Sheets.PrintedState, StateQuery>()('GET', '/api/prints/state', {
    who: STAFF,
    whose: 'nobody',
    reads: ['library'],
  }),
  shares: answers<Sheets.ShareRow[]>()('GET', '/api/shares', {
    who: COACHES,
    whose: 'some',
    reads: ['links', 'library', 'people'],
  }),
  makeShare: answers<Sheets.ShareMade, object, Sheets.ShareRequest>()('POST', '/api/shares', {
    who: COACHES,
    whose: 'perhaps one',
    touches: ['links'],
    makes: true,
  }),
  revokeShare: answers<Ok>()('POST', '/api/shares/:id/revoke', {
    who: COACHES,
    whose: 'perhaps one',
    touches: ['links'],
  }),
  openShared: answers<Made, object, Access.LinkRequest>()('POST', '/api/shared', {
    who: ANYONE,
    whose: 'nobody',
    touches: [],
  }),
  shared: answers<Sheets.PrintJob>()('GET', '/api/shared/:link', { who: ANYONE, whose: 'shared link' }),
  sharedState: answers<Sheets.PrintedState, StateQuery>()('GET', '/api/shared/:link/state', {
    who: ANYONE,
    whose: 'shared link',
  }),
};

type Table = typeof ENDPOINTS;
export type EndpointName = keyof Table;
type TypesOf<K extends EndpointName> = NonNullable<Table[K]['types']>;

/** The names of those that are asked (GET), and of those to which something is sent. */
export type Asked = { [K in EndpointName]: Table[K]['method'] extends 'GET' ? K : never }[EndpointName];
export type SentTo = Exclude<EndpointName, Asked>;

type NamesIn<P extends string> = P extends `${string}:${infer Name}/${infer Rest}`
  ? Name | NamesIn<`/${Rest}`>
  : P extends `${string}:${infer Name}`
    ? Name
    : never;
/** What a part of a path is; those not named are text. */
interface PartTypes {
  kind: Kind;
  number: number;
}
type PartType<N> = N extends keyof PartTypes ? PartTypes[N] : string;
export type PartName = NamesIn<Table[EndpointName]['path']>;
/** The parts of the path. */
export type Params<K extends EndpointName> = { [N in NamesIn<Table[K]['path']>]: PartType<N> };
export type Query<K extends EndpointName> = TypesOf<K>['query'];
export type Body<K extends EndpointName> = TypesOf<K>['body'];
export type Answer<K extends EndpointName> = TypesOf<K>['answer'];
/** All that the address says: parts of the path and query. */
export type Of<K extends EndpointName> = Params<K> & Query<K>;
export type WhoOf<K extends EndpointName> = Table[K]['who'][number];
export type WhoseOf<K extends EndpointName> = Table[K]['whose'];

/** Whether a role (null: nobody is signed in) may. */
export function permitted(name: EndpointName, role: Access.StaffRole | null): boolean {
  const who: readonly Who[] = ENDPOINTS[name].who;
  return who.includes('anyone') || (role !== null && who.includes(role));
}

type Part = string | number | readonly string[] | undefined;

/** The address with its parts and its query filled in; what is undefined is left out, a list is parted by commas. */
export function addressOf<K extends EndpointName>(name: K, of: Of<K>): string {
  const { path } = ENDPOINTS[name];
  const query: string[] = [];
  const parts = new Map(Object.entries<Part>({ ...of }));
  const filled = path.replace(/:(\w+)/g, (_, part: string) => {
    const value = parts.get(part);
    parts.delete(part);
    return encodeURIComponent(String(value));
  });
  for (const [key, value] of parts) {
    if (value === undefined) continue;
    query.push(`${key}=${encodeURIComponent(String(value)).replaceAll('%2C', ',')}`);
  }
  return query.length ? `${filled}?${query.join('&')}` : filled;
}
