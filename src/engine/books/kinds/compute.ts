/** Kinds that compute. */
import { kind, monthly, required, running, runs } from './definition';

export const COMPUTE = [
  kind(
    'server',
    ['Server', 'Servers', 'server'],
    'Compute',
    'A virtual machine that you run yourself, of a fixed size or one put together freely.',
    [running('running', 'Running', 'hour', required)],
    { committable: true, size: 'fixed', licensable: true, ranked: true },
  ),
  kind(
    'dedicated-host',
    ['Dedicated host', 'Dedicated hosts', 'host'],
    'Compute',
    'A whole physical machine for your servers alone; often with a least number of hosts.',
    [running('running', 'Running', 'hour', required)],
    { committable: true, size: 'fixed', licensable: true, ranked: true },
  ),
  kind(
    'container-run-time',
    ['Container run-time', 'Container run-times', 'replica'],
    'Compute',
    'Runs your containers without servers of your own; paid for vCPU and memory while a replica is awake.',
    [
      running('vcpu', 'vCPU while awake', 'hour', required),
      running('memory', 'Memory while awake', 'hour'),
      monthly('requests', 'Requests', 'request', { derived: 'monthly-requests' }),
    ],
    { committable: true, size: 'free' },
  ),
  kind(
    'container-cluster',
    ['Container cluster', 'Container clusters', 'cluster'],
    'Compute',
    'The managed control of a cluster; its servers are components of their own.',
    [running('running', 'Running', 'hour', required)],
  ),
  kind(
    'function',
    ['Function', 'Functions', 'function'],
    'Compute',
    'Code that runs for each request; paid for requests and for memory × time, in started steps.',
    [
      monthly('requests', 'Requests', 'request', { ...required, derived: 'monthly-requests' }),
      runs('run-time', 'Run time', 'request', required),
    ],
    { size: 'free' },
  ),
  kind(
    'batch-run',
    ['Batch run', 'Batch runs', 'job'],
    'Compute',
    'Jobs that begin, work and end; paid for the size and the time of each run.',
    [runs('run-time', 'Runs', 'request', required)],
    { size: 'free' },
  ),
  kind(
    'site-equipment',
    ['Equipment at your site', 'Equipment at your site', 'rack'],
    'Compute',
    'The provider’s own machines, run by it in your rooms; a fee for each rack.',
    [running('running', 'Running', 'hour')],
    { committable: true },
  ),
] as const;
