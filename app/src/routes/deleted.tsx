import { DeletedScreen } from '../features/deleted/deleted-screen';

export default function DeletedRoute() {
  return <DeletedScreen />;
}
