import { MachinesScreen } from '@/features/fleet/screen/machines/machines-screen';

export default function FleetMachinesPage() {
  return <MachinesScreen />;
}
