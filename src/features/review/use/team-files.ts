/** Files that belong to the team as a whole, with their revisions: its limits, and its own resource maps. */
import { readBillRules } from '@/features/bills/format/bill-rules';
import type { Checked } from '@/platform/formats/faults';
import { readPriceListMap } from '@/features/price-books/format/price-list/map-schema';
import { readLimits } from '@/features/review/format/review/limits-schema';
import { readResourceMap } from '@/features/review/format/review/map-schema';
import { AppError, invalid } from '@/platform/use/app-error';
import { allow } from '@/platform/use/may';
import type { Context, TeamFile, TeamFileKind } from '@/stores/ports';

/** There is one file of limits; its name is not chosen. */
export const LIMITS_FILE = 'limits';

const READERS: Readonly<Record<TeamFileKind, (text: string) => Checked<unknown>>> = {
  limits: readLimits,
  map: readResourceMap,
  'bill-rules': readBillRules,
  'price-list': readPriceListMap,
};

/** Of each kind; rules of bills go by design. */
const MOST_FILES: Readonly<Record<TeamFileKind, number>> = {
  limits: 1,
  map: 50,
  'bill-rules': 2000,
  'price-list': 100,
};
const NAME = /^[\p{L}\p{N}][\p{L}\p{N} ._-]{0,79}$/u;

/** Null: the team has none. An empty file is none. */
export async function teamLimits(context: Context): Promise<string | null> {
  allow(context.actor, 'teamLimits');
  const [file] = await context.teamFiles.list(context.actor.workspace, 'limits');
  return file && file.text.trim() !== '' ? file.text : null;
}

export function listTeamFiles(context: Context, kind: TeamFileKind): Promise<TeamFile[]> {
  allow(context.actor, 'listTeamFiles');
  return context.teamFiles.list(context.actor.workspace, kind);
}

export function readTeamFileHistory(context: Context, kind: TeamFileKind, name: string): Promise<TeamFile[]> {
  allow(context.actor, 'readTeamFileHistory');
  return context.teamFiles.history(context.actor.workspace, kind, name);
}

export interface SentTeamFile {
  readonly name: string;
  readonly baseRevision: number;
  readonly text: string;
}

/** Refused where it cannot be read; the examples of a map are tried. An empty text takes it away. */
export async function saveTeamFile(
  context: Context,
  kind: TeamFileKind,
  file: SentTeamFile,
): Promise<number> {
  allow(context.actor, 'saveTeamFile');
  const { workspace } = context.actor;
  if (kind === 'limits' ? file.name !== LIMITS_FILE : !NAME.test(file.name))
    throw invalid('A name has at most 80 letters, digits, spaces, dots or dashes.');
  if (file.text.trim() !== '') {
    const read = READERS[kind](file.text);
    if (!read.ok) throw invalid('The file was refused; nothing was kept.', read.faults, read.more);
  }
  const known = await context.teamFiles.list(workspace, kind);
  if (!known.some(({ name }) => name === file.name) && known.length >= MOST_FILES[kind])
    throw invalid(`A team has at most ${MOST_FILES[kind]} files of this kind.`);
  const saved = await context.teamFiles.save(workspace, kind, file, context.now());
  if (saved === 'stale')
    throw new AppError(
      'conflict',
      'Somebody else saved this file meanwhile. Load it again to see what changed.',
    );
  if (kind === 'limits') await context.reviews.outdate(workspace);
  return saved;
}

export interface NamedMapText {
  readonly name: string;
  readonly text: string;
  /** Of the team; else it ships. */
  readonly own: boolean;
}

/** What ships, and then the team's own, which win. */
export async function listResourceMaps(context: Context): Promise<NamedMapText[]> {
  allow(context.actor, 'listResourceMaps');
  const own = await context.teamFiles.list(context.actor.workspace, 'map');
  return [
    ...Object.entries(context.shippedMaps ?? {}).map(([name, text]) => ({ name, text, own: false })),
    ...own.filter(({ text }) => text.trim() !== '').map(({ name, text }) => ({ name, text, own: true })),
  ];
}
