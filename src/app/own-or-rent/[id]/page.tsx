import { AnswerScreen } from '@/screens/own-or-rent/answer/answer-screen';

export default function StudyAnswerPage() {
  return <AnswerScreen />;
}
