import { PicturesScreen } from '@/screens/fleets/pictures/pictures-screen';

export default function FleetPicturesPage() {
  return <PicturesScreen />;
}
