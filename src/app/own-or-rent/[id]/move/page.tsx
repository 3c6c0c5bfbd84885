import { MoveScreen } from '@/screens/own-or-rent/move/move-screen';

export default function StudyMovePage() {
  return <MoveScreen />;
}
