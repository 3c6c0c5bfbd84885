import { AgainScreen } from '@/features/fleet/screen/bring/again-screen';

export default function FleetAgainPage() {
  return <AgainScreen />;
}
