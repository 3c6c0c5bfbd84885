/** A plan through a resource map: the extract, which is all that is kept of it. Need O1. */
import type { Extract, MappedResource } from './extract';
import type { Marks, Plain, Plan, PlannedResource, ResourceSide } from './plan-model';
import type { IndexedMap, ResourceRule } from './resource-map';
import { SideMapper } from './side-mapper';

/**
 * Resources that are only read are left out: they are others' and cost nothing here.
 *
 * @example
 * const map = joinMaps([{ title: 'Ours', providers: {}, tables: {}, rules: [] }]);
 * extractOf({ form: 'plan', resources: [], settings: {}, remarks: [] }, map).resources; // => []
 */
export function extractOf(plan: Plan, map: IndexedMap): Extract {
  const known = new Set(plan.resources.map(({ address }) => address));
  const mapper = new SideMapper(map);
  return {
    form: plan.form,
    map: map.map.title,
    resources: plan.resources.flatMap((resource) =>
      resource.action === 'read' ? [] : [mappedOf(resource, plan, map, mapper, known)],
    ),
    remarks: plan.remarks,
  };
}

function mappedOf(
  resource: PlannedResource,
  plan: Plan,
  map: IndexedMap,
  mapper: SideMapper,
  known: ReadonlySet<string>,
): MappedResource {
  const { address, movedFrom, module, type, action, settings } = resource;
  const rule = map.byType.get(type);
  const setUp = settings === null ? null : (plan.settings[settings] ?? null);
  const sideOf = (side: ResourceSide | null) => (side ? mapper.read(resource, side, setUp) : null);
  const before = sideOf(resource.before);
  const after = resource.after === resource.before ? before : sideOf(resource.after);
  return {
    address,
    movedFrom,
    module,
    type,
    action,
    under: underOf(resource, rule, known),
    tags: rule?.tags === undefined ? null : tagsOf(resource.after ?? resource.before, rule.tags),
    before: before?.side ?? null,
    after: after?.side ?? null,
    read: mapper.attributes(before, after),
  };
}

/** The one that its attribute names, by the same key where both are counted or keyed. */
function underOf(
  resource: PlannedResource,
  rule: ResourceRule | undefined,
  known: ReadonlySet<string>,
): string | null {
  if (rule?.under === undefined) return null;
  const key = resource.key === null ? '' : `[${JSON.stringify(resource.key)}]`;
  for (const named of resource.names[rule.under] ?? []) {
    const address = resource.module === '' ? named : `${resource.module}.${named}`;
    for (const each of [`${address}${key}`, address])
      if (known.has(each) && each !== resource.address) return each;
  }
  return null;
}

const MOST_TAGS = 50;
const LONGEST_TAG = 256;

/** Null: its tags are not known, or not to be read. */
function tagsOf(side: ResourceSide | null, attribute: string): Record<string, string> | null {
  if (!side) return null;
  const [unknown, secrets] = [markOf(side.unknown, attribute), markOf(side.secret, attribute)];
  if (unknown === true || secrets === true) return null;
  const tags = plainOf(side.values, attribute);
  if (typeof tags !== 'object' || tags === null || Array.isArray(tags)) return {};
  const found = Object.entries(tags as Record<string, Plain>).flatMap(([key, value]): [string, string][] =>
    typeof value === 'string' && value.length <= LONGEST_TAG && markOf(secrets, key) !== true
      ? [[key, value]]
      : [],
  );
  return Object.fromEntries(found.slice(0, MOST_TAGS));
}

function plainOf(values: ResourceSide['values'], name: string): Plain | undefined {
  return Object.hasOwn(values, name) ? values[name] : undefined;
}

function markOf(marks: Marks | undefined, name: string): Marks | undefined {
  if (typeof marks !== 'object') return marks;
  return Object.hasOwn(marks, name) ? (marks as Record<string, Marks | undefined>)[name] : undefined;
}
