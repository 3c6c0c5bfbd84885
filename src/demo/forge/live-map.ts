/** Changes of the code behind the live sailing map: one that breaks a limit, one that only moves, one that saves. */
import type { DemoChange } from './demo-change';
import { counted, planText, type PlanOf, type World } from './plan-of';

const REPOSITORY = 'skerrow/live-map';
const TEAM = { team: 'live map' };

const LOAD = `# Positions come every two seconds from nine ships; tiles are asked for when there is weather.
wick: load-profile
version: 1
title: Live sailing map
loads:
  - address: '*osmere_bucket.tiles'
    usage:
      stored: { amount: [500, 650, 900], unit: GB }
      writes: { amount: [1000000, 2000000, 3000000], unit: request }
      reads: { amount: [20000000, 60000000, 240000000], unit: request }
  - address: '*osmere_queue.positions'
    usage:
      messages: { amount: [12000000, 12000000, 14000000], unit: request }
      requests: { amount: [12000000, 12000000, 14000000], unit: request }
`;

const LIMITS = `wick: limits
version: 1
title: Live sailing map
limits:
  - { id: at-home, only: { regions: [osmere/uk.severn, osmere/de.elbe] }, say: Positions of ships stay on this side of the ocean. }
  - { id: not-so-large, not: { sizes: ['OS-*-44-*', 'OS-*-60-*', 'OS-*-80-*'] } }
  - { id: tagged, tags: [team] }
`;

const instance = (shape: string, more: Record<string, unknown> = {}) => ({
  values: { shape, disks: [{ size_gib: 50 }], tags: TEAM, ...more },
});

const world = (tiles: string, workers: number, shape: string): World => ({
  'osmere_network.map': { values: { range: '10.60.0.0/16' } },
  'osmere_policy.readers': { values: { may: 'read' } },
  ...counted('osmere_instance.tiles', 3, instance(tiles)),
  ...counted('osmere_instance.positions', workers, instance(shape)),
  'osmere_service.page': { values: { cpu: 1, memory_gib: 2, instances: 3, billing: 'always', tags: TEAM } },
  'osmere_bucket.tiles': { values: { class: 'often', tags: TEAM } },
  'osmere_queue.positions': { values: { tags: TEAM } },
});

const NOW = world('tern.8.32', 4, 'tern.8.32');

const plan =
  (before: World, after: World, more: Partial<PlanOf> = {}) =>
  () =>
    planText({ provider: 'osmere', region: 'severn', before, after, ...more });

const common = { repository: REPOSITORY, load: LOAD, limits: LIMITS, pushed: 1 };

const inModule = (address: string): string => `module.tiles.${address}`;
const MOVED = [
  'osmere_instance.tiles[0]',
  'osmere_instance.tiles[1]',
  'osmere_instance.tiles[2]',
  'osmere_bucket.tiles',
];

export const LIVE_MAP_CHANGES: readonly DemoChange[] = [
  {
    ...common,
    change: '9',
    title: 'Position workers of their own',
    author: 'Bryn Callow',
    branch: 'position-workers',
    text: 'Tiles wait for positions when a storm comes up.',
    commits: [
      {
        commit: 'f20b6aa',
        message: 'Four workers for positions',
        author: 'Bryn Callow',
        plan: plan(world('tern.8.32', 2, 'tern.4.16'), world('tern.8.32', 4, 'tern.8.32')),
      },
    ],
    hoursAgo: 1500,
    mergedHoursAgo: 1480,
  },
  {
    ...common,
    change: '12',
    title: 'Maps for the agents in Hudson',
    author: 'Bryn Callow',
    branch: 'hudson',
    text: 'They complain of slow maps in the morning.',
    commits: [
      {
        commit: '3ac4417',
        message: 'Two tile servers in Hudson',
        author: 'Bryn Callow',
        plan: plan(NOW, {
          ...NOW,
          ...counted(
            'module.hudson.osmere_instance.tiles',
            2,
            instance('tern.44.176', { region: 'hudson', tags: {} }),
          ),
        }),
      },
    ],
    hoursAgo: 75,
  },
  {
    ...common,
    change: '13',
    title: 'Tiles into a module of their own',
    author: 'Mirren Holt',
    branch: 'tiles-module',
    text: 'No resource is made or taken away; only addresses are others.',
    commits: [
      {
        commit: '91d0e5c',
        message: 'Move tiles into a module',
        author: 'Mirren Holt',
        plan: plan(
          NOW,
          Object.fromEntries(
            Object.entries(NOW).map(([address, wanted]) => [
              MOVED.includes(address) ? inModule(address) : address,
              wanted,
            ]),
          ),
          { moved: Object.fromEntries(MOVED.map((address) => [address, inModule(address)])) },
        ),
      },
    ],
    hoursAgo: 20,
  },
  {
    ...common,
    change: '14',
    title: 'Smaller position workers',
    author: 'Bryn Callow',
    branch: 'smaller-workers',
    text: 'Three weeks of measuring: none of them was above a third.',
    commits: [
      {
        commit: 'c58e21f',
        message: 'Half the size for workers of positions',
        author: 'Bryn Callow',
        plan: plan(NOW, world('tern.8.32', 4, 'tern.4.16'), { replacing: ['shape'] }),
      },
    ],
    hoursAgo: 2,
  },
];
