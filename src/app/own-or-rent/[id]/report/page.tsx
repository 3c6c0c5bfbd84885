import { StudyReportScreen } from '@/features/own-or-rent/screen/report/report-screen';

export default function StudyReportPage() {
  return <StudyReportScreen today={new Date().toISOString().slice(0, 10)} />;
}
