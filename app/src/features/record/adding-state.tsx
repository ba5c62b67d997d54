import { FieldMessage } from '../../ui/field';
import { Text } from '../../ui/text';
import type { AddingPhotos } from './use-add-photos';

/** How far photos are that a person has just chosen, and what could not be taken in. */
export function AddingState({ atWork, trouble }: Pick<AddingPhotos, 'atWork' | 'trouble'>) {
  return (
    <>
      {atWork > 0 && (
        <Text tone="soft" role="status">
          {atWork === 1 ? 'Making a picture ready' : `Making ${atWork} pictures ready`}
        </Text>
      )}
      <FieldMessage message={trouble} />
    </>
  );
}
