import { StudyReportScreen } from '@/screens/own-or-rent/report/report-screen';

export default function StudyReportPage() {
  return <StudyReportScreen today={new Date().toISOString().slice(0, 10)} />;
}
