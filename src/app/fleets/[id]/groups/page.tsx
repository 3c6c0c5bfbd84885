import { GroupsScreen } from '@/features/fleet/screen/groups/groups-screen';

export default function FleetGroupsPage() {
  return <GroupsScreen />;
}
