/** Calls route handlers without a server: the application's one meeting place with the stores is played here. */
import { randomUUID } from 'node:crypto';
import { writeDesign } from '@/features/design/format/design';
import { type Context, type Stores } from '@/stores/ports';
import { importBook } from '@/features/price-books/use/import-book';
import { importDesign } from '@/features/design/use/designs';
import { type JobQueue } from '@/platform/use/job-ports';
import { LiveHub } from '@/features/design/use/live';
import { memoryFeeds } from '@/platform/use/change-feed';
import { workOff } from '@/jobs/worker';
import { inlineDesk } from '@/desk/jobs';
import { memoryStores } from '@/stores/memory-stores';
import { smallBookFile } from './books';
import { designOf, serverOf, transferOf } from './designs';
import { ELSEWHERE, HERE, testContext } from './store-contract';
import { uploadOf } from './upload';

interface Wired {
  context: Context;
  hub: LiveHub;
  /** Designs whose totals are to be worked out soon. */
  soon: string[];
}

/** A queue whose work is done at once, right here. */
function queueFor(stores: Stores): JobQueue {
  return {
    put: (id) =>
      workOff(
        stores.jobs,
        id,
        ({ what, given }, { tell }) =>
          inlineDesk(wiring.outsideContext()).ask(what, given as never, { tell }),
        () => undefined,
      ),
    watchSoon: async () => undefined,
    reviewSoon: async () => undefined,
    totalsSoon: async (_, design) => void wired.soon.push(design),
  };
}

function freshContext(): Context {
  const stores = memoryStores();
  return { ...testContext(stores), queue: queueFor(stores) };
}

export const wired: Wired = {
  context: freshContext(),
  hub: new LiveHub(memoryFeeds()(), 'here'),
  soon: [],
};

/** Stands in for `@/app/wiring`. */
export const wiring = {
  context: (): Context => wired.context,
  contextFor: (): Context => wired.context,
  outsideContext: (): Omit<Context, 'actor'> => {
    const { actor: _, ...outside } = wired.context;
    return outside;
  },
  desk: () => inlineDesk(wiring.outsideContext()),
  liveHub: (): LiveHub => wired.hub,
  installation: async (): Promise<string> => 'this-one',
};

export function actAs(workspace: string): void {
  wired.context = { ...wired.context, actor: { user: 'ada', workspace, role: 'admin' } };
}

export const asElsewhere = (): void => actAs(ELSEWHERE);
export const asHere = (): void => actAs(HERE);

/** Empty stores with the small book and one design: 138.00 a month. Answers with its id. */
export async function freshStart(): Promise<string> {
  wired.context = freshContext();
  wired.hub = new LiveHub(memoryFeeds()(), 'here');
  wired.soon = [];
  asHere();
  await importBook(wired.context, uploadOf(smallBookFile()));
  // A-4 is 73.00 a month; of 300 GB 100 are free, 10 at 1.00, 90 at 0.50, 100 at 0.10: 65.00.
  const design = designOf([serverOf('a'), transferOf('out', { likely: '300' })], {
    title: 'Harbour / site',
    books: [{ book: 'small', revision: 3 }],
  });
  return importDesign(wired.context, writeDesign(design));
}

export interface Sent {
  readonly query?: string;
  readonly body?: unknown;
  readonly headers?: Record<string, string>;
  /** Not a page: it says nothing of a site. */
  readonly program?: boolean;
}

export interface Answered {
  readonly status: number;
  readonly headers: Headers;
  readonly text: string;
  json<T>(): T;
}

export type Route = (
  request: Request,
  context: { params: Promise<Record<string, string>> },
) => Promise<Response>;

export async function call(
  route: object,
  method: string,
  params: Record<string, string> = {},
  { query = '', body, headers = {}, program = false }: Sent = {},
): Promise<Answered> {
  const text = body === undefined || typeof body === 'string' ? body : JSON.stringify(body);
  const init = {
    method,
    headers: {
      host: 'localhost:4310',
      ...(program ? {} : { 'sec-fetch-site': 'same-origin' }),
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      ...headers,
    },
    ...(text === undefined ? {} : { body: text }),
  };
  const handle = (route as Record<string, Route>)[method]!;
  const response = await handle(new Request(`http://here/api/x${query}`, init), {
    params: Promise.resolve(params),
  });
  const answer = await response.text();
  return {
    status: response.status,
    headers: response.headers,
    text: answer,
    json: <T>() => JSON.parse(answer) as T,
  };
}

export function errorOf(answer: Answered): { readonly code: string; readonly message: string } {
  return answer.json<{ error: { code: string; message: string } }>().error;
}

/** A batch that renames the server. */
export function rename(name: string, baseRevision = 0): object {
  return {
    baseRevision,
    batch: randomUUID(),
    edits: [{ edit: 'set-component', id: 'a', field: 'name', value: name }],
  };
}

/** What a link is made with: the full report, following, for ever. */
export const LINK = {
  options: { variant: 'full', validUntil: null, withAgreements: false },
  pinned: false,
  expires: null,
};
