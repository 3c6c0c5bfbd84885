import { MatrixScreen } from '@/features/fleet/screen/matrix/matrix-screen';

export default function FleetMatrixPage() {
  return <MatrixScreen />;
}
