/** The resource maps that ship: one for each demo provider whose resources a plan may name. */
import { NORVANE_MAP } from './norvane-map';
import { OSMERE_MAP } from './osmere-map';

/** YAML, as files. */
export const DEMO_MAPS: Readonly<Record<string, string>> = { norvane: NORVANE_MAP, osmere: OSMERE_MAP };
