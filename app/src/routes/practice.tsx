import { PracticeScreen } from '../features/practice/practice-screen';

export default function PracticeRoute() {
  return <PracticeScreen />;
}
