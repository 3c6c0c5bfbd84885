import { GroupsScreen } from '@/screens/fleets/groups/groups-screen';

export default function FleetGroupsPage() {
  return <GroupsScreen />;
}
