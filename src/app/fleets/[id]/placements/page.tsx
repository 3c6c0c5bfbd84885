import { PlacementsScreen } from '@/features/fleet/screen/placements/placements-screen';

export default function FleetPlacementsPage() {
  return <PlacementsScreen />;
}
