import { FleetReportScreen } from '@/screens/fleets/report/report-screen';

export default function FleetReportPage() {
  return <FleetReportScreen />;
}
