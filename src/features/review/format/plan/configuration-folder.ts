/**
 * A folder of configuration without a plan, for a rough first look: constants, variables with a value, locals, counted and
 * keyed blocks, modules in the folder. Nothing is run: what follows from functions, conditions or other resources is not known,
 * and is told at each resource. Need O10; opening 38.
 */
import type {
  Marks,
  Plain,
  Plan,
  PlannedResource,
  ProviderSettings,
  ResourceSide,
} from '@/features/review/calc';
import { type Checked, type Fault, refused } from '@/platform/formats/faults';
import { type HclBlock, type HclBody, readBlocks, type Written } from './hcl-blocks';
import { HclFault } from './hcl-tokens';
import { known, NOT_KNOWN, recordOf, type Told, toldOf, type ValueScope } from './written-value';

const MOST_FILES = 5000;
const MOST_BYTES = 20_000_000;
const MOST_RESOURCES = 20_000;
const MOST_OF_ONE = 1000;
const DEEPEST = 20;
const NOT_VALUES: ReadonlySet<string> = new Set(
  'count for_each provider depends_on lifecycle provisioner connection'.split(' '),
);

/** By path within the folder, with “/”. */
export type FolderFiles = ReadonlyMap<string, string>;

export const isConfiguration = (name: string): boolean => /\.(tf|tfvars)$/.test(name);

export function readFolder(files: FolderFiles): Checked<Plan> {
  const all = [...files].filter(([name]) => isConfiguration(name));
  if (all.length === 0)
    return refused([{ path: '', message: 'There is no file with “.tf” at its end in this folder.' }]);
  const bytes = all.reduce((sum, [, text]) => sum + text.length, 0);
  if (all.length > MOST_FILES || bytes > MOST_BYTES)
    return refused([
      { path: '', message: `A folder of at most ${MOST_FILES} files and ${MOST_BYTES / 1e6} MB is read.` },
    ]);
  const bodies = new Map<string, HclBody>();
  const faults: Fault[] = [];
  for (const [path, text] of all)
    try {
      bodies.set(path, readBlocks(text));
    } catch (error) {
      if (!(error instanceof HclFault)) throw error;
      faults.push({ path, message: error.message, line: error.line, column: 1 });
    }
  return faults.length > 0 ? refused(faults) : new Folder(bodies).plan();
}

interface Module {
  readonly folder: string;
  /** Address, empty for the root. */
  readonly address: string;
  readonly scope: ValueScope;
  /** Settings by the name that they have in this module. */
  readonly providers: ReadonlyMap<string, string>;
  readonly depth: number;
}

class TooMany extends Error {}

class Folder {
  private readonly resources: PlannedResource[] = [];
  private readonly settings: Record<string, ProviderSettings> = {};
  private readonly remarks: string[] = [];

  constructor(private readonly bodies: ReadonlyMap<string, HclBody>) {}

  plan(): Checked<Plan> {
    const given = new Map<string, Told>();
    const plain: ValueScope = { variables: new Map(), locals: new Map(), each: null };
    for (const [, body] of this.in('', '.tfvars'))
      for (const [name, value] of body.attributes) given.set(name, toldOf(value, plain));
    try {
      this.walk('', '', given, new Map(), 0);
    } catch (error) {
      if (!(error instanceof TooMany)) throw error;
      return refused([{ path: '', message: `More than ${MOST_RESOURCES} resources come of it.` }]);
    }
    const remarks = [
      'Read from configuration without a plan: nothing was run, so this is a rough first look.',
    ];
    return {
      ok: true,
      value: {
        form: 'configuration without a plan',
        resources: this.resources,
        settings: this.settings,
        remarks: [...remarks, ...this.remarks],
      },
    };
  }

  private in(folder: string, end: '.tf' | '.tfvars'): (readonly [string, HclBody])[] {
    const own = [...this.bodies].filter(
      ([path]) => path.endsWith(end) && path.slice(0, Math.max(0, path.lastIndexOf('/'))) === folder,
    );
    return own.sort(([a], [b]) => (a < b ? -1 : 1));
  }

  private walk(
    folder: string,
    address: string,
    given: ReadonlyMap<string, Told>,
    called: ReadonlyMap<string, string>,
    depth: number,
  ): void {
    const blocks = this.in(folder, '.tf').flatMap(([, body]) => body.blocks);
    const variables = new Map<string, Told>();
    const locals = new Map<string, Written>();
    const scope: ValueScope = { variables, locals, each: null };
    for (const { type, labels, body } of blocks) {
      if (type === 'variable' && labels[0] !== undefined)
        variables.set(labels[0], variableOf(labels[0], body, given));
      if (type === 'locals') for (const [name, value] of body.attributes) locals.set(name, value);
    }
    const providers = new Map(called);
    for (const { type, labels, body } of blocks)
      if (type === 'provider' && labels[0] !== undefined)
        this.provider(labels[0], body, { address, scope }, providers);
    const here: Module = { folder, address, scope, providers, depth };
    for (const block of blocks) {
      if (block.type === 'resource' && block.labels.length === 2) this.resource(block, here);
      if (block.type === 'module' && block.labels.length === 1) this.call(block, here);
    }
  }

  private provider(
    name: string,
    body: HclBody,
    { address, scope }: Pick<Module, 'address' | 'scope'>,
    providers: Map<string, string>,
  ): void {
    const alias = body.attributes.get('alias');
    const told = alias ? toldOf(alias, scope).value : null;
    const local = typeof told === 'string' ? `${name}.${told}` : name;
    const key = address === '' ? local : `${address}:${local}`;
    this.settings[key] = { provider: name, side: sideOf(body, scope) };
    providers.set(local, key);
  }

  private resource(block: HclBlock, here: Module): void {
    const [type, name] = block.labels as [string, string];
    const own = here.address === '' ? `${type}.${name}` : `${here.address}.${type}.${name}`;
    const chosen = block.body.attributes.get('provider');
    const provider = type.split('_')[0]!;
    const local = chosen?.is === 'name' ? chosen.path.join('.') : provider;
    for (const each of this.copies(block, own, here.scope)) {
      if (this.resources.length >= MOST_RESOURCES) throw new TooMany();
      const side = sideOf(block.body, { ...here.scope, each: each && { key: each.key, value: each.value } });
      this.resources.push({
        address: each ? `${own}[${JSON.stringify(each.key)}]` : own,
        movedFrom: null,
        module: here.address,
        ...{ type, name, key: each ? each.key : null, provider },
        settings: here.providers.get(local) ?? null,
        action: 'create',
        before: null,
        after: side,
        names: namesOf(block.body),
      });
    }
  }

  private call(block: HclBlock, here: Module): void {
    const [name] = block.labels as [string];
    const own = here.address === '' ? `module.${name}` : `${here.address}.module.${name}`;
    const source = block.body.attributes.get('source');
    const path = source ? toldOf(source, here.scope).value : null;
    const folder = typeof path === 'string' && /^\.\.?\//.test(path) ? joined(here.folder, path) : null;
    if (folder === null || this.in(folder, '.tf').length === 0)
      return void this.remarks.push(
        `${own} comes from elsewhere and is not in the folder: what is in it is left out.`,
      );
    if (here.depth >= DEEPEST)
      return void this.remarks.push(`${own} lies deeper than ${DEEPEST} modules: it is left out.`);
    const passed = block.body.attributes.get('providers');
    const providers = new Map(here.providers);
    if (passed?.is === 'object')
      for (const [local, value] of passed.entries) {
        const key = value.is === 'name' ? here.providers.get(value.path.join('.')) : undefined;
        if (key !== undefined) providers.set(local, key);
      }
    for (const each of this.copies(block, own, here.scope)) {
      const scope: ValueScope = { ...here.scope, each };
      const given = new Map([...block.body.attributes].map(([key, value]) => [key, toldOf(value, scope)]));
      this.walk(folder, each ? `${own}[${JSON.stringify(each.key)}]` : own, given, providers, here.depth + 1);
    }
  }

  /** Null: it stands once, without a key. */
  private copies({ body }: HclBlock, own: string, scope: ValueScope): ValueScope['each'][] {
    const [count, each] = [body.attributes.get('count'), body.attributes.get('for_each')];
    if (!count && !each) return [null];
    const { value, unknown } = toldOf((count ?? each)!, scope);
    const keys = unknown === true ? null : count ? countedKeys(value) : keyedBy(value);
    if (keys && keys.length <= MOST_OF_ONE) return keys;
    this.remarks.push(
      keys
        ? `${own}: more than ${MOST_OF_ONE} of one block are not counted; it stands once.`
        : `${own}: how many there are is not known without a plan; it is counted once.`,
    );
    return [null];
  }
}

function variableOf(name: string, body: HclBody, given: ReadonlyMap<string, Told>): Told {
  const plain: ValueScope = { variables: new Map(), locals: new Map(), each: null };
  const set = body.attributes.get('default');
  const told = given.get(name) ?? (set ? toldOf(set, plain) : NOT_KNOWN);
  const marked = body.attributes.get('sensitive');
  return marked?.is === 'value' && marked.value === true
    ? { value: undefined, unknown: false, secret: true }
    : told;
}

function countedKeys(value: Plain | undefined): ValueScope['each'][] | null {
  if (typeof value !== 'number' || !Number.isInteger(value) || value < 0) return null;
  const many = Math.min(value, MOST_OF_ONE + 1);
  return Array.from({ length: many }, (_, key) => ({ key, value: NOT_KNOWN }));
}

function keyedBy(value: Plain | undefined): ValueScope['each'][] | null {
  if (Array.isArray(value))
    return (value as readonly Plain[]).every((each) => typeof each === 'string')
      ? (value as readonly string[]).map((key) => ({ key, value: known(key) }))
      : null;
  if (typeof value !== 'object' || value === null) return null;
  return Object.entries(value).map(([key, each]) => ({
    key,
    value: each === undefined ? NOT_KNOWN : known(each),
  }));
}

/** Blocks are lists, as a plan has them; those that are made by a rule of their own are not known. */
function sideOf(body: HclBody, scope: ValueScope): ResourceSide {
  const { value, unknown, secret } = bodyTold(body, scope, 0);
  return { values: value as ResourceSide['values'], unknown, secret };
}

function bodyTold({ attributes, blocks }: HclBody, scope: ValueScope, depth: number): Told {
  const entries = [...attributes].flatMap(([name, written]) =>
    NOT_VALUES.has(name) && depth === 0 ? [] : [[name, toldOf(written, scope)] as const],
  );
  const lists = new Map<string, Told[]>();
  for (const { type, labels, body } of blocks) {
    if (NOT_VALUES.has(type) && depth === 0) continue;
    if (type === 'dynamic' && labels[0] !== undefined) entries.push([labels[0], NOT_KNOWN]);
    else lists.set(type, [...(lists.get(type) ?? []), bodyTold(body, scope, depth + 1)]);
  }
  const listed = [...lists].map(([name, all]): readonly [string, Told] => [
    name,
    {
      value: all.map(({ value }) => value ?? null),
      unknown: all.map(({ unknown }): Marks => unknown),
      secret: all.map(({ secret }): Marks => secret),
    },
  ]);
  return recordOf([...listed, ...entries]);
}

const NO_RESOURCE: ReadonlySet<string> = new Set([
  'var',
  'local',
  'each',
  'count',
  'module',
  'data',
  'path',
  'self',
]);

function namesOf({ attributes }: HclBody): Record<string, readonly string[]> {
  return Object.fromEntries(
    [...attributes].flatMap(([name, written]) =>
      written.is === 'name' && written.path.length >= 2 && !NO_RESOURCE.has(written.path[0]!)
        ? [[name, [written.path.slice(0, 2).join('.')]] as const]
        : [],
    ),
  );
}

/** Null: it lies outside of the folder. */
function joined(folder: string, path: string): string | null {
  const parts = folder === '' ? [] : folder.split('/');
  for (const part of path.split('/')) {
    if (part === '' || part === '.') continue;
    if (part !== '..') parts.push(part);
    else if (parts.pop() === undefined) return null;
  }
  return parts.join('/');
}
