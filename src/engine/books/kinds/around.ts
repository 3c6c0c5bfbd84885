/** What protects, watches, licenses and pays for the rest. */
import { countMeter, held, kind, monthly, perHourMeter, required, running, spendMeter } from './definition';

const NO_FEES = { fees: false } as const;

export const AROUND = [
  kind(
    'firewall',
    ['Firewall', 'Firewalls', 'firewall'],
    'Security',
    'Decides which traffic passes; hours and data.',
    [running('running', 'Running', 'hour', required), monthly('data', 'Data through it', 'GB')],
  ),
  kind(
    'front-door-protection',
    ['Front-door protection', 'Front-door protection', 'rule set'],
    'Security',
    'Turns away attacks on a site; a fee for the rules, and requests looked at.',
    [monthly('requests', 'Requests looked at', 'request', { derived: 'monthly-requests' })],
  ),
  kind(
    'key-vault',
    ['Key vault', 'Key vaults', 'vault'],
    'Security',
    'Keeps keys and secrets; for each one held, and each use.',
    [held('keys', 'Keys and secrets', 'item', required), monthly('requests', 'Uses', 'request')],
  ),
  kind(
    'directory',
    ['Sign-in directory', 'Sign-in directories', 'directory'],
    'Identity',
    'Knows who may sign in; for each user.',
    [held('users', 'Users', 'user', required)],
  ),
  kind(
    'monitoring',
    ['Monitoring', 'Monitoring', 'set'],
    'Management and Governance',
    'Measures, alarms and logs of the other parts; many small prices.',
    [
      held('metrics', 'Own measures', 'item'),
      held('alarms', 'Alarms', 'item'),
      held('dashboards', 'Dashboards', 'item'),
      monthly('logs', 'Logs taken in', 'GB'),
      held('stored', 'Logs kept', 'GB'),
    ],
  ),
  kind(
    'plan',
    ['Base plan', 'Base plans', 'plan'],
    'Other',
    'A monthly plan that decides what is included; use beyond it is paid for.',
    [
      countMeter('plan-fee', 'Plan', 'month', required),
      monthly('requests', 'Requests', 'request', { derived: 'monthly-requests' }),
      monthly('transferred', 'Sent out', 'GB', { derived: 'reply-transfer' }),
      held('users', 'Seats', 'user'),
    ],
  ),
  kind(
    'licence',
    ['Licence', 'Licences', 'licence'],
    'Business Applications',
    'The right to run software, apart from the machine: for each core with a least number, socket, user or month.',
    [held('cores', 'Cores', 'core'), held('sockets', 'Sockets', 'socket'), held('users', 'Users', 'user')],
    { committable: true },
  ),
  kind(
    'software-fee',
    ['Software fee', 'Software fees', 'fee'],
    'Business Applications',
    'What a maker of software takes on top of what it runs on: a share of that spend.',
    [spendMeter('share', 'Share of spend', 'money', required)],
    { role: 'share-of-spend' },
  ),
  kind(
    'support-plan',
    ['Support plan', 'Support plans', 'plan'],
    'Other',
    'Help from the provider: a share of the spend after discounts, with a least amount.',
    [spendMeter('share', 'Share of spend', 'money')],
    { role: 'share-of-spend', paidByCredit: false },
  ),
  kind(
    'spend-commitment',
    ['Spend commitment', 'Spend commitments', 'commitment'],
    'Other',
    'Money committed for every hour; buys eligible use at committed prices, and is lost where it buys nothing.',
    [perHourMeter('committed', 'Committed an hour', 'money', required)],
    { committable: true, role: 'spend-commitment', ...NO_FEES },
  ),
  kind(
    'prepaid-credit',
    ['Prepaid credit', 'Prepaid credit', 'credit'],
    'Other',
    'Money paid ahead each month for any use, cheaper by its amount and term; beyond it list or overage price.',
    [monthly('credit', 'Credit a month', 'money', { ...required, follows: 'nothing' })],
    { committable: true, role: 'prepaid-credit', ...NO_FEES },
  ),
  kind(
    'custom',
    ['Own line', 'Own lines', 'unit'],
    'Other',
    'Anything no price book has: your own meters, prices and structure.',
    [],
    { role: 'own-line', ...NO_FEES },
  ),
] as const;
