import { AgainScreen } from '@/screens/fleets/bring/again-screen';

export default function FleetAgainPage() {
  return <AgainScreen />;
}
