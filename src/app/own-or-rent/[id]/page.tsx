import { AnswerScreen } from '@/features/own-or-rent/screen/answer/answer-screen';

export default function StudyAnswerPage() {
  return <AnswerScreen />;
}
