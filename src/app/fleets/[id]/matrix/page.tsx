import { MatrixScreen } from '@/screens/fleets/matrix/matrix-screen';

export default function FleetMatrixPage() {
  return <MatrixScreen />;
}
