import { ReviewScreen } from '@/screens/reviews/review-screen';

export default function ReviewPage() {
  return <ReviewScreen />;
}
