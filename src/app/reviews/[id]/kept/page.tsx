import { KeptScreen } from '@/features/review/screen/kept-screen';

export default function ReviewKeptPage() {
  return <KeptScreen />;
}
