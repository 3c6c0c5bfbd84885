/** Plans as an infrastructure-as-code tool writes them, from what is there before and after. */

type Values = Readonly<Record<string, unknown>>;

export interface Wanted {
  readonly values: Values;
  /** Known only when it is applied: attributes of the values after. */
  readonly unknown?: readonly string[];
  readonly secret?: readonly string[];
}

/** By address. */
export type World = Readonly<Record<string, Wanted>>;

export interface PlanOf {
  readonly provider: string;
  readonly region: string;
  readonly before: World;
  readonly after: World;
  /** Addresses after, by addresses before. */
  readonly moved?: Readonly<Record<string, string>>;
  /** Made anew where one of these attributes is another. */
  readonly replacing?: readonly string[];
}

const FULL = 'registry.example/skerrow';

export function planText(plan: PlanOf): string {
  const { provider, region, before, after, moved = {} } = plan;
  const from = new Map(Object.entries(moved).map(([old, now]) => [now, old]));
  const taken = new Set(Object.keys(moved));
  const addresses = [
    ...Object.keys(after),
    ...Object.keys(before).filter((each) => !(each in after) && !taken.has(each)),
  ];
  return `${JSON.stringify(
    {
      format_version: '1.2',
      resource_changes: addresses.map((address) => {
        const previous = from.get(address) ?? null;
        return changeOf(plan, address, before[previous ?? address] ?? null, after[address] ?? null, previous);
      }),
      configuration: {
        provider_config: {
          [provider]: {
            name: provider,
            full_name: `${FULL}/${provider}`,
            expressions: { region: { constant_value: region } },
          },
        },
        root_module: {},
      },
    },
    null,
    1,
  )}\n`;
}

const marked = (names: readonly string[] = []): Record<string, true> =>
  Object.fromEntries(names.map((name) => [name, true]));

function changeOf(
  { provider, replacing = [] }: PlanOf,
  address: string,
  before: Wanted | null,
  after: Wanted | null,
  previous: string | null,
): Values {
  const found = /^((?:module\.[^.]+\.)*)([^.]+)\.([^.[]+)(?:\[(.+)\])?$/.exec(address);
  if (!found) throw new Error(`no address: ${address}`);
  const [, modules = '', type, name, index] = found;
  const isAnew = before && after && replacing.some((each) => before.values[each] !== after.values[each]);
  const isSame = before && after && JSON.stringify(before) === JSON.stringify(after);
  const actions = !before
    ? ['create']
    : !after
      ? ['delete']
      : isSame
        ? ['no-op']
        : isAnew
          ? ['create', 'delete']
          : ['update'];
  const known = (wanted: Wanted): Values =>
    Object.fromEntries(Object.entries(wanted.values).filter(([each]) => !wanted.unknown?.includes(each)));
  return {
    address,
    ...(modules !== '' && { module_address: modules.slice(0, -1) }),
    ...(previous !== null && { previous_address: previous }),
    mode: 'managed',
    type,
    name,
    ...(index !== undefined && { index: JSON.parse(index) as unknown }),
    provider_name: `${FULL}/${provider}`,
    change: {
      actions,
      before: before && before.values,
      after: after && known(after),
      after_unknown: marked(after?.unknown),
      before_sensitive: before ? marked(before.secret) : false,
      after_sensitive: after ? marked(after.secret) : false,
    },
  };
}

/** So many of the same, counted. */
export function counted(address: string, count: number, wanted: Wanted): World {
  return Object.fromEntries(Array.from({ length: count }, (_, at) => [`${address}[${at}]`, wanted]));
}

/** With other values of one address, or of every counted one. */
export function changed(world: World, address: string, values: Values): World {
  return Object.fromEntries(
    Object.entries(world).map(([each, wanted]) =>
      each === address || each.startsWith(`${address}[`)
        ? [each, { ...wanted, values: { ...wanted.values, ...values } }]
        : [each, wanted],
    ),
  );
}
