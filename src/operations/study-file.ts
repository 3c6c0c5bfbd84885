/** A stored study as it leaves the house: worked out whole, with its report. */
import { type StudyReport, studyReport } from '@/core/display';
import { type Study, type WorkedStudy, workedStudy } from '@/core/own-or-rent';
import { allow } from './may';
import type { Context } from './ports';
import { openStudy } from './studies';

export interface StudyFile {
  readonly study: Study;
  readonly worked: WorkedStudy;
  readonly report: StudyReport;
}

/** The same core, draws and so amounts as on screen. */
export async function readStudyReport(context: Context, id: string): Promise<StudyFile> {
  allow(context.actor, 'readStudyReport');
  const { study } = await openStudy(context, id);
  const worked = workedStudy(study);
  return { study, worked, report: studyReport({ study, ...worked }) };
}
