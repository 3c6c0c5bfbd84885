import { HangsScreen } from '@/screens/own-or-rent/hangs/hangs-screen';

export default function StudyHangsPage() {
  return <HangsScreen />;
}
