import { NumbersScreen } from '@/features/own-or-rent/screen/numbers/numbers-screen';

export default function StudyNumbersPage() {
  return <NumbersScreen />;
}
