import { useLocalSearchParams } from 'expo-router';
import { useHouseView } from '../../../../features/houses/house-frame';
import { PhotoScreen } from '../../../../features/record/photo-screen';
import { NotHere } from '../../../../features/shell/not-here';

export default function PhotoRoute() {
  const { photoId } = useLocalSearchParams<{ photoId: string }>();
  const view = useHouseView();
  const photo = view.photos.find(({ id }) => id === photoId);
  return photo === undefined ? (
    <NotHere what="photo" houseId={view.house.id} />
  ) : (
    <PhotoScreen key={photo.id} view={view} photo={photo} />
  );
}
