/** Who may do what: the one table. Every operation that an actor asks for stands here by its name. */
import { type Actor, requireRole, type Role } from './actor';

/** By operation: the least role. */
export const MAY = {
  bareSurroundings: 'viewer',
  compareRevisions: 'viewer',
  fleetMachines: 'viewer',
  findOffers: 'viewer',
  importProgress: 'viewer',
  knownMapping: 'viewer',
  listFleets: 'viewer',
  openFleet: 'viewer',
  jobProgress: 'viewer',
  listBooks: 'viewer',
  listDesigns: 'viewer',
  listExchange: 'viewer',
  listLibrary: 'viewer',
  listStarters: 'viewer',
  openDesign: 'viewer',
  readCatalogue: 'viewer',
  readRates: 'viewer',
  readComparison: 'viewer',
  readPlacedFleet: 'viewer',
  readReport: 'viewer',
  readHistory: 'viewer',
  searchOffers: 'viewer',
  starterNames: 'viewer',
  listStudies: 'viewer',
  openStudy: 'viewer',
  openStudyAt: 'viewer',
  proposeDesignStudy: 'viewer',
  proposeStudy: 'viewer',
  readStudyHistory: 'viewer',
  readStudyReport: 'viewer',
  beginWith: 'editor',
  bringMachines: 'editor',
  deleteFleet: 'editor',
  keepMapping: 'editor',
  restoreFleet: 'editor',
  savePlan: 'editor',
  cancelImport: 'editor',
  cancelJob: 'viewer',
  createLink: 'editor',
  deleteDesign: 'editor',
  editDesign: 'editor',
  removeFromLibrary: 'editor',
  importBook: 'editor',
  importDesign: 'editor',
  importExchange: 'editor',
  keep: 'editor',
  keepAsStarter: 'editor',
  listLinks: 'editor',
  publishBook: 'editor',
  restoreDesign: 'editor',
  storeDesign: 'editor',
  deleteStudy: 'editor',
  restoreStudy: 'editor',
  saveStudy: 'editor',
  storeStudy: 'editor',
  withdrawLink: 'editor',
} satisfies Record<string, Role>;

export type Allowed = keyof typeof MAY;

/** Refused with `forbidden` where the actor's role does not reach. */
export function allow(actor: Actor, what: Allowed): void {
  requireRole(actor, MAY[what]);
}
