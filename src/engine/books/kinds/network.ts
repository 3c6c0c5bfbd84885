/** Kinds that move traffic. */
import { capacity, kind, monthly, required, running } from './definition';

const hours = running('running', 'Running', 'hour');
const data = monthly('data', 'Data through it', 'GB', { derived: 'exchange-transfer' });

export const NETWORK = [
  kind(
    'transfer-out',
    ['Data transfer out', 'Data transfer out', 'path'],
    'Networking',
    'What leaves the provider for the internet; tiers count over everything that leaves a region.',
    [monthly('transferred', 'Sent out', 'GB', { ...required, derived: 'reply-transfer' })],
  ),
  kind(
    'transfer-between',
    ['Transfer inside', 'Transfers inside', 'path'],
    'Networking',
    'Traffic between zones, between regions, or inwards, each at its own price.',
    [
      monthly('between-zones', 'Between zones', 'GB'),
      monthly('between-regions', 'Between regions', 'GB'),
      monthly('inbound', 'From the internet', 'GB'),
    ],
  ),
  kind(
    'balancer-connections',
    ['Layer-4 balancer', 'Layer-4 balancers', 'balancer'],
    'Networking',
    'Spreads connections over servers; hours, and capacity units or data.',
    [hours, capacity('units', 'Capacity units'), data],
  ),
  kind(
    'balancer-requests',
    ['Layer-7 balancer', 'Layer-7 balancers', 'balancer'],
    'Networking',
    'Spreads requests by what they ask for; hours, and capacity units or data.',
    [hours, capacity('units', 'Capacity units'), data],
  ),
  kind(
    'address',
    ['Public address', 'Public addresses', 'address'],
    'Networking',
    'An address that the internet can reach.',
    [running('running', 'Held', 'hour', required)],
  ),
  kind(
    'outbound-gateway',
    ['Outbound gateway', 'Outbound gateways', 'gateway'],
    'Networking',
    'Lets machines without a public address reach the internet; hours and data.',
    [running('running', 'Running', 'hour', required), data],
  ),
  kind(
    'private-link',
    ['Private link', 'Private links', 'endpoint'],
    'Networking',
    'Reaches a service without crossing the internet; hours and data.',
    [running('running', 'Running', 'hour', required), data],
  ),
  kind('vpn', ['VPN', 'VPNs', 'connection'], 'Networking', 'A private tunnel to your own rooms.', [
    running('running', 'Running', 'hour', required),
    data,
  ]),
  kind(
    'dedicated-line',
    ['Dedicated line', 'Dedicated lines', 'port'],
    'Networking',
    'A line of your own to the provider; port hours and what leaves over it.',
    [running('running', 'Port', 'hour', required), monthly('transferred', 'Sent out over it', 'GB')],
  ),
  kind(
    'content-delivery',
    ['Content delivery', 'Content delivery', 'site'],
    'Networking',
    'Serves files from near the reader; what is sent, and requests.',
    [
      monthly('transferred', 'Sent to readers', 'GB', { ...required, derived: 'reply-transfer' }),
      monthly('requests', 'Requests', 'request', { derived: 'monthly-requests' }),
    ],
  ),
  kind(
    'name-service',
    ['Name service', 'Name services', 'zone'],
    'Networking',
    'Answers which address a name has; a fee for each zone, and look-ups.',
    [monthly('requests', 'Look-ups', 'request')],
  ),
] as const;
