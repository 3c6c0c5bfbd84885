/** Plans in the open format, written by hand. */

type Values = Record<string, unknown>;

export interface Changed {
  readonly address: string;
  readonly type?: string;
  readonly actions?: readonly string[];
  readonly before?: Values | null;
  readonly after?: Values | null;
  readonly unknown?: unknown;
  readonly secretBefore?: unknown;
  readonly secretAfter?: unknown;
  readonly previous?: string;
  readonly module?: string;
  readonly index?: string | number;
  readonly mode?: string;
  readonly more?: Values;
  readonly change?: Values;
}

export function changeOf({ address, type, actions, before, after, ...rest }: Changed): Values {
  const own = address.replace(/^(module\.[^.[\]]+(\["[^"]*"\]|\[\d+\])?\.)*/, '');
  const [kind, name] = own.replace(/\[.*$/, '').split('.');
  const given = { before: before ?? null, after: after ?? null };
  return {
    address,
    ...(rest.module && { module_address: rest.module }),
    ...(rest.previous && { previous_address: rest.previous }),
    mode: rest.mode ?? 'managed',
    type: type ?? kind,
    name,
    ...(rest.index !== undefined && { index: rest.index }),
    provider_name: 'registry.example/skerrow/norvane',
    ...rest.more,
    change: {
      actions: actions ?? [given.before ? (given.after ? 'update' : 'delete') : 'create'],
      ...given,
      after_unknown: rest.unknown ?? {},
      before_sensitive: rest.secretBefore ?? {},
      after_sensitive: rest.secretAfter ?? {},
      ...rest.change,
    },
  };
}

/** With Norvane set up in one region, unless a configuration says more. */
export function planJson(changes: readonly Changed[], more: Values = {}): Values {
  return {
    format_version: '1.2',
    resource_changes: changes.map(changeOf),
    configuration: {
      provider_config: {
        norvane: {
          name: 'norvane',
          full_name: 'registry.example/skerrow/norvane',
          expressions: { region: { constant_value: 'severn-1' } },
        },
      },
      root_module: {},
    },
    ...more,
  };
}

export const server = (size = 'bal-4-16', more: Values = {}): Values => ({ size, labels: {}, ...more });
export const volume = (gib: number, more: Values = {}): Values => ({ gib, class: 'even', ...more });
