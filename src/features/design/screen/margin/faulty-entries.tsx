/** Entries that no file takes, of designs from before that was checked: named, so that they can be put right. */
'use client';
import { useEffect, useState } from 'react';
import { allComponents, type Design } from '@/engine/design';
import { faultsOfDesign } from '@/features/design/format/design';

/** Looked for when the design rests: a large one takes some milliseconds. */
const REST = 800;
const SHOWN = 8;

/** "“Web”: count.likely" of "sections[0].components[2].count.likely". */
function placeOf(path: string, design: Design): string {
  const [, section, row, rest = ''] = /^sections\[(\d+)\]\.components\[(\d+)\]\.?(.*)$/.exec(path) ?? [];
  const found = design.sections[Number(section)]?.components[Number(row)];
  return found ? `“${found.name}”: ${rest}` : path;
}

export function FaultyEntries({ design }: { readonly design: Design }) {
  const [faults, setFaults] = useState<ReturnType<typeof faultsOfDesign>>([]);
  useEffect(() => {
    const timer = setTimeout(() => setFaults(faultsOfDesign(design)), REST);
    return () => clearTimeout(timer);
  }, [design]);
  if (faults.length === 0 || allComponents(design).length === 0) return null;
  const more = faults.length - SHOWN;
  return (
    <div role="status" className="mt-2 rounded border border-edge px-2.5 py-2 text-sm">
      <p>
        {faults.length === 1 ? 'One entry' : `${faults.length} entries`} of an earlier version no file takes
        any more; the design cannot be copied or brought in elsewhere until this is put right.
      </p>
      <ul className="mt-1 text-xs">
        {faults.slice(0, SHOWN).map(({ path, message }) => (
          <li key={`${path} ${message}`} className="break-words">
            {placeOf(path, design)} {message}
          </li>
        ))}
        {more > 0 && <li>and {more} more</li>}
      </ul>
    </div>
  );
}
