/** The list of keys, on the question mark. */
'use client';
import { Dialog } from '@/platform/ui/dialog';

const KEYS: readonly (readonly [string, string])[] = [
  ['Arrows, Page, Home, End', 'move'],
  ['Enter or F2', 'edit the cell, or open its list'],
  ['any letter or digit', 'replace what the cell says'],
  ['Esc', 'take back what is being typed'],
  ['Tab', 'keep it and go right (while editing)'],
  ['Ctrl Enter', 'write on the next line'],
  ['Shift and an arrow, Ctrl A', 'select more lines, or all; Esc none'],
  ['Ctrl D', 'fill the column down over the selection'],
  ['Ctrl V', 'paste rows from a spreadsheet'],
  ['Alt Up, Alt Down', 'move the component, also into the next section'],
  ['Delete', 'remove the row or the selection; can be undone'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['/', 'find anything'],
  ['?', 'this list'],
];

export function Shortcuts({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <Dialog open={open} title="Keys" onClose={onClose} width={420}>
      <dl className="px-4 py-2">
        {KEYS.map(([key, does]) => (
          <div key={key} className="flex justify-between gap-6 border-b border-line py-1.5 last:border-0">
            <dt className="font-mono text-xs leading-[18px]">{key}</dt>
            <dd className="text-right">{does}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
