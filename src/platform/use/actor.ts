/** Who acts, in which workspace, in which role; and the one place that checks it. */
import { AppError } from './app-error';

/** A pipeline may hand in what it is there for, and nothing else. */
export const ROLES = ['pipeline', 'viewer', 'editor', 'admin'] as const;
export type Role = (typeof ROLES)[number];

export interface Actor {
  readonly user: string;
  readonly workspace: string;
  readonly role: Role;
}

/** Refused with `forbidden` when the actor's role is below `needed`. */
export function requireRole(actor: Actor, needed: Role): void {
  if (ROLES.indexOf(actor.role) < ROLES.indexOf(needed)) {
    throw new AppError(
      'forbidden',
      `This needs the role ${needed}; you are ${actor.role} in this workspace.`,
    );
  }
}
