/**
 * Reads what an infrastructure-as-code tool of the open plan format plans to change: plan JSON of format 0.1 to any 1.x, a
 * state, or planned values alone. Fields that are not known are passed over; another major format is refused in words.
 */
import type {
  Plan,
  PlanAction,
  PlannedResource,
  ProviderSettings,
  ResourceSide,
} from '@/features/review/calc';
import { type Checked, type Fault, refused } from '@/platform/formats/faults';
import { type Configuration, readConfiguration } from './configuration';
import {
  field,
  type JsonObject,
  keyOf,
  listOf,
  marksOf,
  objectOf,
  shortName,
  textOf,
  valuesOf,
} from './json-parts';
import { readRawState, stateResources } from './state';

/** Bytes of a plan that is read. */
export const MOST_PLAN_BYTES = 200_000_000;
const MOST_RESOURCES = 200_000;

export function readPlan(text: string): Checked<Plan> {
  if (text.length > MOST_PLAN_BYTES)
    return fault(
      '',
      `The plan is larger than ${MOST_PLAN_BYTES / 1_000_000} MB, which is the most that is read.`,
    );
  let data: unknown;
  try {
    data = JSON.parse(text.startsWith('\uFEFF') ? text.slice(1) : text);
  } catch {
    return fault(
      '',
      'This is no JSON. Write the plan as JSON first: the tool’s “show” does that of a saved plan.',
    );
  }
  return readPlanData(data);
}

const fault = (path: string, message: string): Checked<never> => refused([{ path, message }]);

/** The same of JSON that is parsed already. */
export function readPlanData(data: unknown): Checked<Plan> {
  const root = objectOf(data);
  if (!root) return fault('', 'A plan is a JSON object.');
  if (field(root, 'format_version') === undefined && field(root, 'version') === 4) return readRawState(root);
  const version = textOf(field(root, 'format_version'));
  const match = version === null ? null : /^(\d{1,4})\.(\d{1,4})/.exec(version);
  if (!match)
    return fault(
      'format_version',
      'is missing: this is neither a plan nor a state, as JSON. It is text like “1.2”.',
    );
  const major = Number(match[1]);
  if (major > 1)
    return fault(
      'format_version',
      `“${version}” is a format that is not known here; 0.1 to any 1.x are read.`,
    );
  const changes = field(root, 'resource_changes');
  if (changes !== undefined) return readChanges(root, changes, version!);
  if (objectOf(field(root, 'planned_values'))) return readPlanned(root, version!);
  if (objectOf(field(root, 'values'))) return readState(root, version!);
  return fault('', 'There is nothing planned in it: no resource_changes, planned_values or values.');
}

function readChanges(root: JsonObject, changes: unknown, version: string): Checked<Plan> {
  if (!Array.isArray(changes)) return fault('resource_changes', 'must be a list');
  if (changes.length > MOST_RESOURCES)
    return fault(
      'resource_changes',
      `has more than ${MOST_RESOURCES} entries, which is the most that is read`,
    );
  const configuration = readConfiguration(root);
  const faults: Fault[] = [];
  const resources: PlannedResource[] = [];
  changes.forEach((each, at) => {
    const read = changeOf(each, `resource_changes[${at}]`, configuration);
    if ('message' in read) faults.push(read);
    else if (read.managed) resources.push(read.resource);
  });
  if (faults.length > 0) return refused(faults);
  const remarks = [
    ...(field(root, 'errored') === true ? ['The plan ended with an error: it is not complete.'] : []),
    ...(field(root, 'complete') === false ? ['The plan is not complete: more will follow after it.'] : []),
  ];
  return done(`plan, format ${version}`, resources, configuration.settings, remarks);
}

function done(
  form: string,
  resources: readonly PlannedResource[],
  settings: Readonly<Record<string, ProviderSettings>>,
  remarks: readonly string[],
): Checked<Plan> {
  const seen = new Set<string>();
  for (const { address } of resources) {
    if (seen.has(address)) return fault('', `“${address}” stands in it twice.`);
    seen.add(address);
  }
  return { ok: true, value: { form, resources, settings, remarks } };
}

type Changed = { readonly managed: boolean; readonly resource: PlannedResource };

function changeOf(each: unknown, path: string, configuration: Configuration): Changed | Fault {
  const entry = objectOf(each);
  const change = objectOf(field(entry, 'change'));
  const [address, type] = [textOf(field(entry, 'address')), textOf(field(entry, 'type'))];
  if (!entry || !address || !type) return { path, message: 'must have an address and a type' };
  if (!change) return { path: `${path}.change`, message: 'is missing' };
  const moved = textOf(field(entry, 'previous_address'));
  const action = actionOf(listOf(field(change, 'actions')), {
    moved: moved !== null && moved !== address,
    imported: objectOf(field(change, 'importing')) !== null,
  });
  if (!action)
    return { path: `${path}.change.actions`, message: `is none of the known actions, at “${address}”` };
  const deposed = textOf(field(entry, 'deposed'));
  const before = sideOf(field(change, 'before'), undefined, field(change, 'before_sensitive'));
  const after = sideOf(
    field(change, 'after'),
    field(change, 'after_unknown'),
    field(change, 'after_sensitive'),
  );
  const lacking = lackingSide(action, before, after);
  if (lacking) return { path: `${path}.change.${lacking}`, message: `is missing, at “${address}”` };
  const within = textOf(field(entry, 'module_address')) ?? '';
  const mode = textOf(field(entry, 'mode')) ?? 'managed';
  const name = textOf(field(entry, 'name')) ?? '';
  const said = configuration.of(within, type, name);
  const provider = shortName(textOf(field(entry, 'provider_name'))) ?? said?.provider ?? type.split('_')[0]!;
  return {
    managed: mode === 'managed',
    resource: {
      address: deposed === null ? address : `${address} (left over, ${deposed})`,
      movedFrom: moved !== null && moved !== address ? moved : null,
      module: within,
      type,
      name,
      key: keyOf(field(entry, 'index')),
      provider,
      settings: configuration.settingsOf(said?.settings ?? null, provider),
      action,
      ...sidesOf(action, before, after),
      names: said?.names ?? {},
    },
  };
}

/** Nothing is taken for a side that is not there. */
function lackingSide(
  action: PlanAction,
  before: ResourceSide | null,
  after: ResourceSide | null,
): 'before' | 'after' | null {
  const isNew = action === 'create' || action === 'read';
  const isGone = action === 'delete' || action === 'forget';
  if (action === 'unchanged' || action === 'moved') return (before ?? after) ? null : 'after';
  if (!isNew && action !== 'import' && !before) return 'before';
  return !isGone && !after ? 'after' : null;
}

/** What is only forgotten goes on costing what it does; what does not change has one side for both. */
function sidesOf(
  action: PlanAction,
  before: ResourceSide | null,
  after: ResourceSide | null,
): Pick<PlannedResource, 'before' | 'after'> {
  switch (action) {
    case 'create':
      return { before: null, after };
    case 'delete':
      return { before, after: null };
    case 'forget':
      return { before, after: before };
    case 'unchanged':
    case 'moved':
      return { before: before ?? after, after: before ?? after };
    default:
      return { before, after };
  }
}

interface Circumstances {
  readonly moved: boolean;
  readonly imported: boolean;
}

function actionOf(actions: readonly unknown[], { moved, imported }: Circumstances): PlanAction | null {
  switch (actions.join('+')) {
    case 'no-op':
      return imported ? 'import' : moved ? 'moved' : 'unchanged';
    case 'create':
      return 'create';
    case 'read':
      return 'read';
    case 'update':
      return imported ? 'import' : 'update';
    case 'delete':
      return 'delete';
    case 'delete+create':
    case 'create+delete':
      return 'replace';
    case 'forget':
      return 'forget';
    // Made anew while the old one is left to itself: it goes on costing, so nothing is taken away.
    case 'create+forget':
    case 'forget+create':
      return 'create';
    default:
      return null;
  }
}

function sideOf(values: unknown, unknown: unknown, secret: unknown): ResourceSide | null {
  const own = valuesOf(values);
  // Nothing of it may be known yet, and it is planned all the same.
  const isPlanned = unknown === true || Object.keys(objectOf(unknown) ?? {}).length > 0;
  if (!own && !isPlanned) return null;
  return { values: own ?? {}, unknown: marksOf(unknown), secret: marksOf(secret) };
}

/** Planned values alone: held against the state before, where that stands in it. */
function readPlanned(root: JsonObject, version: string): Checked<Plan> {
  const configuration = readConfiguration(root);
  const after = stateResources(field(objectOf(field(root, 'planned_values')), 'root_module'), configuration);
  const prior = objectOf(field(objectOf(field(root, 'prior_state')), 'values'));
  const before = prior ? stateResources(field(prior, 'root_module'), configuration) : [];
  if (after.length > MOST_RESOURCES)
    return fault(
      'planned_values',
      `has more than ${MOST_RESOURCES} resources, which is the most that is read`,
    );
  return done(`planned values, format ${version}`, against(before, after), configuration.settings, []);
}

function readState(root: JsonObject, version: string): Checked<Plan> {
  const configuration = readConfiguration(root);
  const there = stateResources(field(objectOf(field(root, 'values')), 'root_module'), configuration);
  return done(`state, format ${version}`, there, configuration.settings, []);
}

/**
 * What there is after one plan or state against what there is after another, by address: two plans, two states, or one of
 * each.
 */
export function planAgainst(before: Plan, after: Plan): Plan {
  const there = (plan: Plan): PlannedResource[] =>
    plan.resources.flatMap((each) => (each.after && each.action !== 'read' ? [each] : []));
  return {
    form: `${after.form}, against ${before.form}`,
    resources: against(there(before), there(after)),
    settings: { ...before.settings, ...after.settings },
    remarks: [...before.remarks, ...after.remarks],
  };
}

function against(before: readonly PlannedResource[], after: readonly PlannedResource[]): PlannedResource[] {
  const was = new Map(before.map((each) => [each.address, each]));
  const now = new Set(after.map(({ address }) => address));
  return [
    ...after.map((each): PlannedResource => {
      const earlier = was.get(each.address);
      return earlier
        ? { ...each, action: 'update', before: earlier.after, after: each.after }
        : { ...each, action: 'create', before: null };
    }),
    ...before.flatMap((each): PlannedResource[] =>
      now.has(each.address) ? [] : [{ ...each, action: 'delete', before: each.after, after: null }],
    ),
  ];
}
