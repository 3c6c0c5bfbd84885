/** The in-memory twin of the store of estates. */
import { isSame } from '@/engine/design';
import type { Machine } from '@/features/fleet/calc';
import type { FleetStore, StoredFleet } from '@/features/fleet/use/fleet-ports';

interface Kept {
  readonly workspace: string;
  stored: StoredFleet;
  machines: readonly Machine[];
  deleted: boolean;
}

export function memoryFleetStore(): FleetStore {
  const fleets: Kept[] = [];
  const mappings = new Map<string, object>();
  const live = (workspace: string, id: string): Kept | undefined =>
    fleets.find((each) => each.workspace === workspace && each.stored.id === id && !each.deleted);
  return {
    list: async (workspace) =>
      fleets
        .filter((each) => each.workspace === workspace && !each.deleted)
        .map(({ stored: { id, plan, machines, updatedAt } }) => ({
          id,
          title: plan.title,
          origin: plan.origin,
          machines,
          groups: plan.groups.length,
          placements: plan.placements.length,
          updatedAt,
        }))
        .sort((a, b) => (a.updatedAt < b.updatedAt ? 1 : -1)),
    find: async (workspace, id) => live(workspace, id)?.stored ?? null,
    machines: async (workspace, id, after, limit) =>
      live(workspace, id)?.machines.slice(after, after + limit) ?? null,
    bring: async (workspace, { id, plan, origin, at }, work) => {
      const any = fleets.find((each) => each.stored.id === id);
      if (any && (any.workspace !== workspace || any.deleted)) return null;
      const coming: Machine[] = [];
      await work(async (some) => void coming.push(...some));
      const keyed = (machines: readonly Machine[]) =>
        new Map(machines.map((each) => [each.id.toLowerCase(), each]));
      const [before, now] = [keyed(any?.machines ?? []), keyed(coming)];
      const updatedAt = at.toISOString();
      if (any) {
        any.machines = coming;
        const { revision, plan: kept } = any.stored;
        any.stored = {
          id,
          revision: revision + 1,
          plan: { ...kept, origin },
          machines: coming.length,
          updatedAt,
        };
      } else {
        const stored = { id, revision: 0, plan, machines: coming.length, updatedAt };
        fleets.push({ workspace, stored, machines: coming, deleted: false });
      }
      return {
        id,
        isNew: !any,
        machines: coming.length,
        added: [...now.keys()].filter((key) => !before.has(key)).length,
        gone: [...before.keys()].filter((key) => !now.has(key)).length,
        changed: [...now].filter(([key, each]) => before.has(key) && !isSame(before.get(key), each)).length,
      };
    },
    savePlan: async (workspace, id, baseRevision, plan, at) => {
      const found = live(workspace, id);
      if (!found) return null;
      if (found.stored.revision !== baseRevision) return 'stale';
      found.stored = { ...found.stored, plan, revision: baseRevision + 1, updatedAt: at.toISOString() };
      return baseRevision + 1;
    },
    remove: async (workspace, id) => {
      const found = live(workspace, id);
      if (found) found.deleted = true;
      return found !== undefined;
    },
    restore: async (workspace, id) => {
      const found = fleets.find(
        (each) => each.workspace === workspace && each.stored.id === id && each.deleted,
      );
      if (found) found.deleted = false;
      return found !== undefined;
    },
    mapping: async (workspace, headings) => mappings.get(`${workspace}\n${headings}`) ?? null,
    keepMapping: async (workspace, headings, mapping) =>
      void mappings.set(`${workspace}\n${headings}`, mapping),
  };
}
