/** What is there: the state as it is shown in JSON, or as the tool keeps it in its file (version 4). */
import type { Marks, Plan, PlannedResource } from '@/features/review/calc';
import { type Checked, refused } from '@/platform/formats/faults';
import type { Configuration } from './configuration';
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

/** Modules in modules in modules: more than anybody writes. */
const DEEPEST = 60;

/** All resources of a module and of those below it. */
export function stateResources(module: unknown, configuration: Configuration, depth = 0): PlannedResource[] {
  const own = objectOf(module);
  if (!own || depth > DEEPEST) return [];
  const found = listOf(field(own, 'resources')).flatMap((each) => {
    const resource = stateResource(objectOf(each), textOf(field(own, 'address')) ?? '', configuration);
    return resource ? [resource] : [];
  });
  for (const child of listOf(field(own, 'child_modules')))
    for (const each of stateResources(child, configuration, depth + 1)) found.push(each);
  return found;
}

function stateResource(
  entry: JsonObject | null,
  module: string,
  configuration: Configuration,
): PlannedResource | null {
  const [address, type] = [textOf(field(entry, 'address')), textOf(field(entry, 'type'))];
  if (!address || !type || textOf(field(entry, 'mode')) === 'data') return null;
  const name = textOf(field(entry, 'name')) ?? '';
  const said = configuration.of(module, type, name);
  const provider = shortName(textOf(field(entry, 'provider_name'))) ?? said?.provider ?? type.split('_')[0]!;
  const side = {
    values: valuesOf(field(entry, 'values')) ?? {},
    unknown: false,
    secret: marksOf(field(entry, 'sensitive_values')),
  };
  const left = textOf(field(entry, 'deposed_key'));
  return {
    address: left === null ? address : `${address} (left over, ${left})`,
    movedFrom: null,
    module,
    type,
    name,
    key: keyOf(field(entry, 'index')),
    provider,
    settings: configuration.settingsOf(said?.settings ?? null, provider),
    action: 'unchanged',
    before: side,
    after: side,
    names: said?.names ?? {},
  };
}

/** The tool's own file: resources with their instances. */
export function readRawState(root: JsonObject): Checked<Plan> {
  const resources = listOf(field(root, 'resources')).flatMap((each) => rawResource(objectOf(each)));
  if (!Array.isArray(field(root, 'resources')))
    return refused([{ path: 'resources', message: 'must be a list' }]);
  return { ok: true, value: { form: 'state file, version 4', resources, settings: {}, remarks: [] } };
}

function rawResource(entry: JsonObject | null): PlannedResource[] {
  const [type, name] = [textOf(field(entry, 'type')), textOf(field(entry, 'name'))];
  if (!type || !name || textOf(field(entry, 'mode')) === 'data') return [];
  const within = textOf(field(entry, 'module')) ?? '';
  // provider["host/space/name"]
  const provider = /^provider\["([^"]+)"\]/.exec(textOf(field(entry, 'provider')) ?? '')?.[1] ?? null;
  return listOf(field(entry, 'instances')).map((each): PlannedResource => {
    const instance = objectOf(each);
    const key = keyOf(field(instance, 'index_key'));
    const place = `${within === '' ? '' : `${within}.`}${type}.${name}`;
    const address = key === null ? place : `${place}[${JSON.stringify(key)}]`;
    const left = textOf(field(instance, 'deposed'));
    const side = {
      values: valuesOf(field(instance, 'attributes')) ?? {},
      unknown: false,
      secret: secretPaths(listOf(field(instance, 'sensitive_attributes'))),
    };
    return {
      address: left === null ? address : `${address} (left over, ${left})`,
      movedFrom: null,
      module: within,
      type,
      name,
      key,
      provider: shortName(provider) ?? type.split('_')[0]!,
      settings: null,
      action: 'unchanged',
      before: side,
      after: side,
      names: {},
    };
  });
}

/** Paths are lists of steps; what is below the first is marked with it, which hides more and never less. */
function secretPaths(paths: readonly unknown[]): Marks {
  const marks: Record<string, Marks> = {};
  for (const path of paths) {
    const steps = Array.isArray(path) ? path : listOf(field(objectOf(path), 'path'));
    const first = textOf(field(objectOf(steps[0]), 'value'));
    if (first !== null) marks[first] = true;
  }
  return marks;
}
