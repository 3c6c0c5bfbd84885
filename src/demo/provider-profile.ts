/**
 * What makes a demo provider's prices its own: level, regions, families, discounts, storage and transfer. The
 * generator turns a profile and a seed into a price book. All names and figures are invented.
 */
import type { Payment } from '@/core/terms';
import type { Water } from './regions';

export interface FamilyProfile {
  readonly code: string;
  readonly name: string;
  readonly processor: string;
  readonly memoryPerVcpu: number;
  readonly sizes: readonly number[];
  /** Price of one vCPU-hour and of one GiB-hour at the level of the home region. */
  readonly vcpuHour: number;
  readonly gibHour: number;
  readonly burstable?: boolean;
  readonly retires?: { readonly date: string; readonly successor: string };
  /** Sold only in these waters; else everywhere but for the irregularities. */
  readonly onlyIn?: readonly Water[];
  /** Price change of the second revision, as a factor. */
  readonly drift: number;
}

export interface VolumeProfile {
  readonly code: string;
  readonly name: string;
  readonly note: string;
  readonly perGibMonth: number;
}

export interface TierProfile {
  readonly upTo: string | null;
  readonly price: number;
}

export interface StoreProfile {
  readonly code: string;
  readonly name: string;
  readonly note: string;
  readonly unit: 'GB-month' | 'GiB-month';
  readonly stored: readonly TierProfile[];
  readonly requestUnit: 'thousand requests' | 'million requests';
  readonly write: number;
  readonly read: number;
  readonly drift: number;
}

export interface ProviderProfile {
  readonly key: string;
  readonly provider: string;
  readonly skuPrefix: string;
  readonly monthHours: string;
  readonly regions: readonly { readonly water: Water; readonly code: string; readonly factor: number }[];
  readonly families: readonly FamilyProfile[];
  readonly serverUnit: 'hour' | 'second';
  /** Discount against on demand, by months and payment; what is missing is not sold. */
  readonly commitments: Readonly<Partial<Record<12 | 36, Partial<Record<Payment, number>>>>>;
  readonly volumes: readonly VolumeProfile[];
  readonly stores: readonly StoreProfile[];
  readonly transfer: {
    readonly code: string;
    readonly name: string;
    readonly unit: 'GB' | 'GiB';
    readonly allowance: string;
    readonly tiers: readonly TierProfile[];
  };
}
