import { VariantsScreen } from '@/features/own-or-rent/screen/variants/variants-screen';

export default function StudyVariantsPage() {
  return <VariantsScreen />;
}
