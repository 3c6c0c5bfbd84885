import { VariantsScreen } from '@/screens/own-or-rent/variants/variants-screen';

export default function StudyVariantsPage() {
  return <VariantsScreen />;
}
