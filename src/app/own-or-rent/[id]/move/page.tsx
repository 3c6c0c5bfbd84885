import { MoveScreen } from '@/features/own-or-rent/screen/move/move-screen';

export default function StudyMovePage() {
  return <MoveScreen />;
}
