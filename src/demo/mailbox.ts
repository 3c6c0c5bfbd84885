/** A simulated mailbox: mail that would have left, kept to be read. */
import type { KeptMail, Mailer } from '@/features/alerts/use/watch-ports';
import type { StandInStore } from '@/features/review/use/forge-ports';

const KEY = 'mailbox';
const MOST = 200;

export function simulatedMailer(store: StandInStore): Mailer {
  const box = async (workspace: string): Promise<readonly KeptMail[]> =>
    ((await store.get(workspace, KEY)) as readonly KeptMail[] | null) ?? [];
  return {
    send: async (workspace, mail) => {
      const kept = await box(workspace);
      // A message that comes again after it was broken off is the same mail.
      if (kept.some(({ id }) => id === mail.id)) return;
      const at = new Date().toISOString();
      await store.put(workspace, KEY, [{ ...mail, at }, ...kept].slice(0, MOST));
    },
    box,
  };
}
