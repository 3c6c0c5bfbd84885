import { FleetReportScreen } from '@/features/fleet/screen/report/report-screen';

export default function FleetReportPage() {
  return <FleetReportScreen />;
}
