import { ReviewScreen } from '@/features/review/screen/review-screen';

export default function ReviewPage() {
  return <ReviewScreen />;
}
