import { PicturesScreen } from '@/features/fleet/screen/pictures/pictures-screen';

export default function FleetPicturesPage() {
  return <PicturesScreen />;
}
