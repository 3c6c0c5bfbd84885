import { NumbersScreen } from '@/screens/own-or-rent/numbers/numbers-screen';

export default function StudyNumbersPage() {
  return <NumbersScreen />;
}
