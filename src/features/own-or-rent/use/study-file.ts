/** A stored study as it leaves the house: worked out whole, with its report. */
import { type StudyReport, studyReport } from '@/features/own-or-rent/words';
import { type Study, type WorkedStudy, workedStudy } from '@/features/own-or-rent/calc';
import { allow } from '@/platform/use/may';
import type { Context } from '@/stores/ports';
import { openStudy } from './studies';

export interface StudyFile {
  readonly study: Study;
  readonly worked: WorkedStudy;
  readonly report: StudyReport;
}

/** So many studies are kept worked out: whoever takes the PDF after the page, or looks again, does not wait twice. */
const MOST_KEPT = 6;

/** By what the study says, whosever it is: the same study has the same answer. The last used stand last. */
const kept = new Map<string, StudyFile>();

/** A study, worked out with the same core, draws and so amounts as on screen. */
export function studyFileOf(study: Study): StudyFile {
  const key = JSON.stringify(study);
  const known = kept.get(key);
  kept.delete(key);
  const worked = known?.worked ?? workedStudy(study);
  const file = known ?? { study, worked, report: studyReport({ study, ...worked }) };
  kept.set(key, file);
  for (const oldest of kept.keys()) {
    if (kept.size <= MOST_KEPT) break;
    kept.delete(oldest);
  }
  return file;
}

export async function readStudyReport(context: Context, id: string): Promise<StudyFile> {
  allow(context.actor, 'readStudyReport');
  return studyFileOf((await openStudy(context, id)).study);
}
