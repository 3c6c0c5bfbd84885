import { HangsScreen } from '@/features/own-or-rent/screen/hangs/hangs-screen';

export default function StudyHangsPage() {
  return <HangsScreen />;
}
