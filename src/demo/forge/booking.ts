/** Changes of the code behind booking and check-in: one that is harmless, one that doubles the bill, one with unknowns. */
import type { DemoChange } from './demo-change';
import { changed, counted, planText, type PlanOf, type World } from './plan-of';

const REPOSITORY = 'skerrow/booking';
const TEAM = { team: 'booking', ship: 'all' };

export const BOOKING_LOAD = `# What the plan cannot know. Read together with the port office in October.
wick: load-profile
version: 1
title: Booking and check-in
loads:
  - address: 'norvane_store.tickets'
    usage:
      stored: { amount: [180, 240, 420], unit: GB }
      writes: { amount: [400000, 700000, 1900000], unit: request }
      reads: { amount: [3000000, 5000000, 14000000], unit: request }
  - address: 'module.web.norvane_balancer.front'
    load:
      # Summer weekends are the heavy case.
      rate: { by: requests, perSecond: { lean: '60', likely: '90', heavy: '420' } }
      secondsEach: { likely: '0.4' }
      requestsPerConnection: { likely: '4' }
      requestSize: { amount: { likely: '2' }, unit: kB }
      replySize: { amount: { likely: '30' }, unit: kB }
  - address: 'norvane_queue.mail'
    usage:
      requests: { amount: [6000000, 9000000, 26000000], unit: request }
`;

const LIMITS = `# Agreed with finance in September.
wick: limits
version: 1
title: Booking and check-in
limits:
  - { id: quarter-more, most: { percent: 25 }, say: More than a quarter needs a word with finance first. }
  - { id: month, most: { total: 6500 } }
  - { id: where, only: { regions: [norvane/severn-1, norvane/skagerrak-1] } }
  - { id: tagged, level: warn, tags: [team] }
`;

const front = (size: string) => ({
  values: {
    size,
    image: 'front-2026-10',
    root_disk: { gib: 40 },
    labels: TEAM,
    start_script: 'SECRET-START-73c1',
  },
  secret: ['start_script'],
});

const database = (size: string, gib: number) => ({
  values: {
    ...{ engine: 'open', size, storage_gib: gib, replicas: 1, labels: TEAM },
    password: 'SECRET-PASSWORD-91fe',
  },
  secret: ['password'],
});

const world = (servers: number, size: string, gib: number): World => ({
  'norvane_network.quay': { values: { range: '10.40.0.0/16' } },
  'norvane_subnet.front': { values: { range: '10.40.1.0/24' } },
  'norvane_access_rules.front': { values: { open: [443] } },
  ...counted('module.web.norvane_server.front', servers, front(size)),
  'module.web.norvane_balancer.front': { values: { layer: 'requests', labels: TEAM } },
  'module.data.norvane_database.bookings': database('8-32', gib),
  'module.data.norvane_cache.sessions': { values: { size: '4-26', nodes: 2, labels: TEAM } },
  'norvane_store.tickets': { values: { class: 'near', labels: TEAM } },
  'norvane_queue.mail': { values: { labels: TEAM } },
});

const NOW = world(4, 'bal-4-16', 300);

const plan =
  (before: World, after: World, more: Partial<PlanOf> = {}) =>
  () =>
    planText({ provider: 'norvane', region: 'severn-1', before, after, ...more });

const common = { repository: REPOSITORY, load: BOOKING_LOAD, limits: LIMITS, pushed: 1 };

export const BOOKING_CHANGES: readonly DemoChange[] = [
  {
    ...common,
    change: '31',
    title: 'A fourth front server before the season',
    author: 'Isla Fearn',
    branch: 'fourth-front',
    text: 'The third one runs at four fifths on Fridays.',
    commits: [
      {
        commit: '5d10c2e',
        message: 'One more front server',
        author: 'Isla Fearn',
        plan: plan(world(3, 'bal-4-16', 200), world(4, 'bal-4-16', 200)),
      },
    ],
    hoursAgo: 2100,
    mergedHoursAgo: 2064,
  },
  {
    ...common,
    change: '34',
    title: 'Room for the bookings of two more years',
    author: 'Tomas Reave',
    branch: 'more-storage',
    text: 'The law says seven years, the database said five.',
    commits: [
      {
        commit: 'b7730f9',
        message: 'Storage of bookings to 300 GiB',
        author: 'Tomas Reave',
        plan: plan(world(4, 'bal-4-16', 200), NOW),
      },
    ],
    hoursAgo: 1150,
    mergedHoursAgo: 1110,
  },
  {
    ...common,
    change: '41',
    title: 'Labels for the yearly accounts',
    author: 'Mirren Holt',
    branch: 'labels',
    text: 'Finance asks which ship a server works for. Nothing runs otherwise.',
    commits: [
      {
        commit: '0c9a2d4',
        message: 'Label everything with its ship',
        author: 'Mirren Holt',
        plan: plan(
          NOW,
          changed(NOW, 'module.web.norvane_server.front', { labels: { team: 'booking', ship: 'Sandvoe' } }),
        ),
      },
    ],
    hoursAgo: 30,
  },
  {
    ...common,
    change: '42',
    title: 'Ready for summer weekends',
    author: 'Isla Fearn',
    branch: 'summer-weekends',
    text: 'Six times the traffic of a February Tuesday. So six times the servers?',
    commits: [
      {
        commit: 'e41f8b0',
        message: 'Larger front servers, and more of them',
        author: 'Isla Fearn',
        plan: plan(NOW, {
          ...world(8, 'bal-8-32', 300),
          'module.data.norvane_database.bookings': database('16-64', 500),
        }),
      },
      {
        commit: 'a93c55d',
        message: 'Keep the size, two more servers, and leave the database as it is',
        author: 'Isla Fearn',
        plan: plan(NOW, world(6, 'bal-4-16', 300)),
      },
    ],
    hoursAgo: 5,
  },
  {
    ...common,
    change: '43',
    title: 'A copy of the bookings for reports',
    author: 'Tomas Reave',
    branch: 'report-copy',
    text: 'The size comes from the module of the platform team, which decides when it is applied.',
    commits: [
      {
        commit: '77be013',
        message: 'Server, disk and stream for reports',
        author: 'Tomas Reave',
        plan: plan(NOW, {
          ...NOW,
          'module.report.norvane_server.runner': {
            values: { size: '', root_disk: { gib: 60 }, labels: TEAM },
            unknown: ['size'],
          },
          'module.report.norvane_volume.copy': { values: { gib: 400, class: 'quiet', labels: TEAM } },
          'module.report.norvane_stream.changes': { values: { shards: 2, labels: TEAM } },
          'module.report.norvane_lighthouse.board': { values: { boards: 3 } },
        }),
      },
    ],
    hoursAgo: 52,
  },
];
