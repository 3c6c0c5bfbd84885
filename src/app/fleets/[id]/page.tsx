import { MachinesScreen } from '@/screens/fleets/machines/machines-screen';

export default function FleetMachinesPage() {
  return <MachinesScreen />;
}
