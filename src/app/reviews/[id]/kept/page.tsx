import { KeptScreen } from '@/screens/reviews/kept-screen';

export default function ReviewKeptPage() {
  return <KeptScreen />;
}
