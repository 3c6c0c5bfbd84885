/** Plans on their way in: read and mapped here, so that of a plan only its extract ever leaves the browser. Need O8. */
import {
  extractOf,
  type Extract,
  joinMaps,
  type MappedSide,
  type Plan,
  type ResourceMap,
} from '@/features/review/calc';
import { mappedWords } from '@/features/review/words';
import type { Checked } from '@/platform/formats/faults';
import { isConfiguration, readFolder } from '@/features/review/format/plan/configuration-folder';
import { MOST_PLAN_BYTES, planAgainst, readPlan } from '@/features/review/format/plan/read-plan';
import { draftMap } from '@/features/review/format/review/draft-map';
import { readResourceMap } from '@/features/review/format/review/map-schema';
import { writeSentReview } from '@/features/review/format/review/sent-review';
import type { HandedIn, MapText, PlanFile, ReadAnswer, ReadType } from './review-protocol';

export type FetchReviews = (path: string, init?: RequestInit) => Promise<unknown>;

interface NamedMap {
  readonly name: string;
  readonly own: boolean;
  readonly map: ResourceMap;
}

export class ReviewReading {
  private pending: Extract | null = null;

  constructor(private readonly fetchJson: FetchReviews) {}

  async read(
    plan: readonly PlanFile[],
    against: File | null,
    texts: readonly MapText[],
  ): Promise<ReadAnswer> {
    this.pending = null;
    const maps: NamedMap[] = [];
    for (const { name, text, own } of texts) {
      const read = readResourceMap(text, own);
      if (!read.ok) return { ok: false, file: name, faults: read.faults, more: read.more };
      maps.push({ name, own, map: read.value });
    }
    const after = await readAll(plan);
    if (!after.ok) return { ok: false, file: plan[0]?.path ?? '', faults: after.faults, more: after.more };
    const before = against && (await readFile(against));
    if (before && !before.ok)
      return { ok: false, file: against!.name, faults: before.faults, more: before.more };
    const whole = before ? planAgainst(before.value, after.value) : after.value;
    const providers = new Set(whole.resources.map(({ provider }) => provider));
    // What ships for other providers has no say in what the map is called.
    const wanted = maps.filter(
      ({ own, map }) => own || Object.keys(map.providers).some((provider) => providers.has(provider)),
    );
    const joined = joinMaps(wanted.map(({ map }) => map));
    const extract = extractOf(whole, joined);
    this.pending = extract;
    const types = typesOf(extract, wanted);
    const without = types.filter(({ map }) => map === null);
    return {
      ok: true,
      form: extract.form,
      map: extract.map,
      resources: extract.resources,
      types,
      remarks: extract.remarks,
      draft: without.length === 0 ? null : draftMap(whole, without),
    };
  }

  async handIn(as: HandedIn): Promise<{ readonly id: string }> {
    if (!this.pending) throw new Error('Choose a plan first.');
    const body = writeSentReview({ ...as, phase: 'open', extract: this.pending });
    const made = await this.fetchJson('/api/reviews', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    });
    return made as { id: string };
  }
}

/** One file that is no configuration is a plan. */
async function readAll(files: readonly PlanFile[]): Promise<Checked<Plan>> {
  const [first] = files;
  if (first && files.length === 1 && !isConfiguration(first.path)) return readFile(first.file);
  const texts = new Map<string, string>();
  for (const { path, file } of files) if (isConfiguration(path)) texts.set(path, await file.text());
  return readFolder(texts);
}

async function readFile(file: File): Promise<Checked<Plan>> {
  if (file.size > MOST_PLAN_BYTES) {
    const message = `The file has ${Math.ceil(file.size / 1e6)} MB; ${MOST_PLAN_BYTES / 1e6} are taken. Split the plan by folder.`;
    return { ok: false, faults: [{ path: '', message }], more: 0 };
  }
  return readPlan(await file.text());
}

function typesOf({ resources }: Extract, maps: readonly NamedMap[]): ReadType[] {
  const found = new Map<string, { count: number; open: number; is: string }>();
  for (const { type, before, after } of resources) {
    const known = found.get(type) ?? { count: 0, open: 0, is: '' };
    found.set(type, known);
    known.count += 1;
    known.is ||= kindWords(after ?? before);
    if ([before, after].some((side) => side?.is === 'lines' && side.lines.some(({ is }) => is !== 'line')))
      known.open += 1;
  }
  return [...found]
    .map(([type, { count, open, is }]): ReadType => ({ type, count, open, is, map: mapOf(type, maps) }))
    .sort((a, b) => Number(a.map !== null) - Number(b.map !== null) || b.count - a.count);
}

/** The last that has a rule wins, as in the map they are joined to. */
function mapOf(type: string, maps: readonly NamedMap[]): string | null {
  const found = maps.findLast(({ map }) => map.rules.some((rule) => rule.type === type));
  return found ? found.map.title || found.name : null;
}

function kindWords(side: MappedSide | null): string {
  if (!side || side.is === 'no-rule') return '';
  if (side.is === 'free') return `free: ${side.why}`;
  return side.lines
    .slice(0, 3)
    .map((line) => mappedWords(line, 'kind'))
    .join(', ');
}
