/** Acts whose failure is told in a notice; and deleting something of a list, which can be taken back. */
'use client';
import { tell } from '@/platform/ui/toast';
import { callApi } from './call-api';

export async function toldIfFailed(act: () => Promise<void>): Promise<void> {
  try {
    await act();
  } catch (error) {
    tell(error instanceof Error ? error.message : 'That did not work. Try again.');
  }
}

/** `path`: where it is deleted; its `/restore` brings it back. `refresh` shows the list anew. */
export function removeWithUndo(path: string, title: string, refresh: () => void): void {
  void toldIfFailed(async () => {
    await callApi(path, { method: 'DELETE' });
    refresh();
    tell(`“${title}” was deleted.`, {
      label: 'Take it back',
      run: () =>
        void toldIfFailed(async () => {
          await callApi(`${path}/restore`, { method: 'POST' });
          refresh();
        }),
    });
  });
}
