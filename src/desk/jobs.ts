/**
 * What is too heavy for the thread that answers requests: pricing on the server, reports, and writing them down. Every
 * job takes plain data and gives plain data, so that it can be done in a thread of its own or right here.
 */
import type { HandoverForm } from '@/handover/forms';
import {
  type Actor,
  AppError,
  type Context,
  explainedLines,
  fileStem,
  linkedTrace,
  openLink,
  priceHere,
  type ReadReport,
  readReport,
} from '@/operations';
import type { Desk, JobName, Jobs, WrittenFile } from './protocol';

/** Lines of a printed report: its pages are laid out one after the other, which takes a second for every hundred. */
interface MostPrinted {
  readonly team: number;
  readonly stranger: number;
}

const MOST_PRINTED: MostPrinted = { team: 3000, stranger: 1000 };

type Outside = Omit<Context, 'actor'>;

export type Workers = { readonly [N in JobName]: (given: Jobs[N]['given']) => Promise<Jobs[N]['answer']> };

export function workersOn(outside: Outside, most: MostPrinted = MOST_PRINTED): Workers {
  const written = (form: HandoverForm, read: ReadReport, lines: number) =>
    writeDown(form, read, outside.now(), lines);
  const inside = (actor: Actor): Context => ({ ...outside, actor });
  return {
    summary: ({ workspace, design }) => priceHere(outside.books, workspace, design),
    report: async ({ actor, id, options }) => {
      const { report, stored } = await readReport(inside(actor), id, options);
      const isNegotiated = (stored.design.agreements ?? []).length > 0;
      return { report, title: stored.design.title, revision: stored.revision, isNegotiated };
    },
    'report-file': async ({ actor, id, options, form }) =>
      written(form, await readReport(inside(actor), id, options), most.team),
    linked: async ({ token }) => {
      const linked = await openLink(outside, token);
      return {
        report: linked.report,
        revision: linked.stored.revision,
        isPinned: linked.link.pinned !== null,
        explained: [...explainedLines(linked)],
      };
    },
    'linked-file': async ({ token, form }) => written(form, await openLink(outside, token), most.stranger),
    'linked-trace': ({ token, line }) => linkedTrace(outside, token, line),
  };
}

/** Does everything right here: for tests, and where nobody else would have to wait. */
export function inlineDesk(outside: Outside): Desk {
  const workers = workersOn(outside);
  return { ask: (name, given) => (workers[name] as (given: unknown) => Promise<never>)(given) };
}

async function writeDown(form: HandoverForm, read: ReadReport, at: Date, most: number): Promise<WrittenFile> {
  const { report } = read;
  const lines = report.sections.reduce((sum, section) => sum + section.lines.length, 0);
  if (form === 'pdf' && lines > most) {
    const message = `A PDF has at most ${most} lines here, and this report has ${lines}. Take the XLSX or the Markdown, or print the page.`;
    throw new AppError('too-large', message);
  }
  // The writers and their libraries are loaded by who writes, not by who only reads.
  const { handOver } = await import('@/handover');
  const { type, bytes } = await handOver(form, read, at);
  return { type, bytes, name: `${fileStem(report.title)}-${report.variant}.${form}` };
}
