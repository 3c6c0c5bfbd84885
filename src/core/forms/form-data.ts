/** The forms as data: a new one is a new entry. */
import type { Kind } from '../books';

export interface Form {
  readonly kind: Kind;
  readonly label: string;
  /** One runs the operating system oneself. */
  readonly ownSystem: boolean;
  readonly ownHardware: boolean;
  /** Every offer of the kind can sleep when nothing is asked. */
  readonly sleeps: boolean;
  /** `each` has the size; `free`: it is set; `shared-out`: units that all of it is put on. */
  readonly size: 'each' | 'free' | 'shared-out';
  readonly note: string;
}

export const FORMS: Readonly<Record<'compute' | 'database', readonly Form[]>> = {
  compute: [
    {
      kind: 'server',
      label: 'Servers',
      ownSystem: true,
      ownHardware: false,
      sleeps: false,
      size: 'each',
      note: 'Patches and restarts are yours.',
    },
    {
      kind: 'dedicated-host',
      label: 'Dedicated hosts',
      ownSystem: true,
      ownHardware: true,
      sleeps: false,
      size: 'shared-out',
      note: 'Whole hosts; licences may be counted by socket.',
    },
    {
      kind: 'container-run-time',
      label: 'Container run-time',
      ownSystem: false,
      ownHardware: false,
      sleeps: true,
      size: 'free',
      note: 'You bring the image; requests may be billed besides.',
    },
  ],
  database: [
    {
      kind: 'relational-database',
      label: 'Run by the provider',
      ownSystem: false,
      ownHardware: false,
      sleeps: false,
      size: 'each',
      note: 'Patches and copies are the provider’s; the licence is as the edition says.',
    },
    {
      kind: 'server',
      label: 'Engine on servers',
      ownSystem: true,
      ownHardware: false,
      sleeps: false,
      size: 'each',
      note: 'The engine, its licence, patches and copies are yours and not in the amount.',
    },
    {
      kind: 'dedicated-host',
      label: 'Engine on dedicated hosts',
      ownSystem: true,
      ownHardware: true,
      sleeps: false,
      size: 'shared-out',
      note: 'Licences by core or socket can be brought; they are not in the amount.',
    },
  ],
};
