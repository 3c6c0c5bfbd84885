import { PlacementsScreen } from '@/screens/fleets/placements/placements-screen';

export default function FleetPlacementsPage() {
  return <PlacementsScreen />;
}
