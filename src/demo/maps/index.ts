/** The resource maps that ship: one for each demo provider whose resources a plan may name. */
import { HALDREACH_MAP } from './haldreach-map';
import { KITEWHARF_MAP } from './kitewharf-map';
import { NORVANE_MAP } from './norvane-map';
import { OSMERE_MAP } from './osmere-map';
import { PENNYBYRE_MAP } from './pennybyre-map';

/** YAML, as files. */
export const DEMO_MAPS: Readonly<Record<string, string>> = {
  norvane: NORVANE_MAP,
  osmere: OSMERE_MAP,
  haldreach: HALDREACH_MAP,
  kitewharf: KITEWHARF_MAP,
  pennybyre: PENNYBYRE_MAP,
};
