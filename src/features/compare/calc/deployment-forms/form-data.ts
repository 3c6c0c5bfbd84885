/** The forms as data: a new one is a new entry. */
import type { Kind } from '@/engine/books';

/** One way to have what was asked for. */
export interface Form {
  readonly kind: Kind;
  readonly label: string;
  readonly note: string;
}

export interface MachineForm extends Form {
  /** One runs the operating system oneself. */
  readonly ownSystem: boolean;
  readonly ownHardware: boolean;
  /** What runs on it is one’s own affair, its licence too. */
  readonly ownEngine: boolean;
  /** Every offer of the kind can sleep when nothing is asked. */
  readonly sleeps: boolean;
  /** `each` has the size; `free`: it is set; `shared-out`: units that all of it is put on. */
  readonly size: 'each' | 'free' | 'shared-out';
}

export interface StoreForm extends Form {
  /** What reaches into it: by name over the network, as a folder, as a disk, row by row. */
  readonly reached: 'objects' | 'files' | 'disk' | 'rows';
}

export interface MessageForm extends Form {
  /** What was read can be read again, and by others. */
  readonly again: boolean;
}

export const MACHINE_FORMS: Readonly<Record<'compute' | 'database', readonly MachineForm[]>> = {
  compute: [
    {
      kind: 'server',
      label: 'Servers',
      ownSystem: true,
      ownHardware: false,
      ownEngine: false,
      sleeps: false,
      size: 'each',
      note: 'Patches and restarts are yours.',
    },
    {
      kind: 'dedicated-host',
      label: 'Dedicated hosts',
      ownSystem: true,
      ownHardware: true,
      ownEngine: false,
      sleeps: false,
      size: 'shared-out',
      note: 'Whole hosts; licences may be counted by socket.',
    },
    {
      kind: 'container-run-time',
      label: 'Container run-time',
      ownSystem: false,
      ownHardware: false,
      ownEngine: false,
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
      ownEngine: false,
      sleeps: false,
      size: 'each',
      note: 'Patches and copies are the provider’s; the licence is as the edition says.',
    },
    {
      kind: 'server',
      label: 'Engine on servers',
      ownSystem: true,
      ownHardware: false,
      ownEngine: true,
      sleeps: false,
      size: 'each',
      note: 'The engine, its licence, patches and copies are yours and not in the amount.',
    },
    {
      kind: 'dedicated-host',
      label: 'Engine on dedicated hosts',
      ownSystem: true,
      ownHardware: true,
      ownEngine: true,
      sleeps: false,
      size: 'shared-out',
      note: 'Licences by core or socket can be brought; they are not in the amount.',
    },
  ],
};

export const STORE_FORMS: readonly StoreForm[] = [
  {
    kind: 'object-store',
    label: 'Objects',
    reached: 'objects',
    note: 'Any size, each by its name; paid by what is held, and by each access.',
  },
  {
    kind: 'file-share',
    label: 'A shared folder',
    reached: 'files',
    note: 'Many machines at once; sometimes paid by what is set aside.',
  },
  {
    kind: 'block-volume',
    label: 'A disk',
    reached: 'disk',
    note: 'One machine at a time; paid by its size, full or empty.',
  },
  {
    kind: 'key-value-store',
    label: 'Rows by key',
    reached: 'rows',
    note: 'Small records; paid by each read and write more than by what is held.',
  },
];

export const MESSAGE_FORMS: readonly MessageForm[] = [
  {
    kind: 'queue',
    label: 'A queue',
    again: false,
    note: 'Each message goes to one reader and is gone; paid by request: sent, taken, confirmed.',
  },
  {
    kind: 'stream',
    label: 'A stream',
    again: true,
    note: 'Kept in order and read again by others; paid by capacity and what goes through.',
  },
];
