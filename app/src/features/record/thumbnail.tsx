import type { Photo } from '@calvet/contract/photos/photo';
import { memo, useState } from 'react';
import { Image, Pressable, StyleSheet, View } from 'react-native';
import { useIsUnsent, usePicture, type Picture } from '../../data/picture-hooks';
import { LinkArea } from '../../ui/link-area';
import { PictureFrame } from '../../ui/picture-frame';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { CORNER } from '../../ui/tokens';
import { MarksLayer } from './marks-layer';

/** Why a picture is not to be seen. */
export const ABSENT_WORDS: Readonly<Record<Exclude<Picture['state'], 'here'>, string>> = {
  fetching: '',
  'not arrived': 'Still on another device',
  'no signal': 'Not here, and no signal',
};

interface ThumbnailProps {
  readonly photo: Photo;
  /** What is said of it to who does not see it. */
  readonly name: string;
  readonly width: number;
  /** It leads to the photo that one looks at. */
  readonly isHere?: boolean;
  /** What a press does instead of opening the photo. */
  readonly onChoose?: (photo: Photo) => void;
}

/** A photo, small, with its marks; it leads to the photo, or is chosen. Drawn anew only when it is another: a house has hundreds. */
export const Thumbnail = memo(function Thumbnail(props: ThumbnailProps) {
  const { photo, name, width, isHere = false, onChoose } = props;
  const palette = usePalette();
  const picture = usePicture(photo, 'thumbnail');
  const [isFocused, setFocused] = useState(false);
  const isUnsent = useIsUnsent(photo);
  // A picture of another shape than the tile shows its middle: the marks go with the picture.
  const tile = { width, height: Math.round(width * 0.75) };
  const scale = Math.max(tile.width / photo.widthPx, tile.height / photo.heightPx);
  const shown = { width: photo.widthPx * scale, height: photo.heightPx * scale };
  const frame = {
    onFocus: () => setFocused(true),
    onBlur: () => setFocused(false),
    style: [
      styles.tile,
      tile,
      { borderColor: isFocused || isHere ? palette.lake : palette.line, backgroundColor: palette.paper },
      isHere && styles.here,
    ],
  };
  const label = isUnsent ? `${name}, not sent yet` : name;
  const shownInside = (
    <>
      {picture.state === 'here' ? (
        <View style={shown}>
          <Image source={{ uri: picture.url }} style={shown} />
          <MarksLayer marks={photo.marks.filter(({ kind }) => kind !== 'text')} size={shown} />
        </View>
      ) : (
        <PictureFrame words={ABSENT_WORDS[picture.state]} style={tile} />
      )}
      {isUnsent && (
        <View style={[styles.unsent, { backgroundColor: palette.strawTint }]}>
          <Text look="small" tone="straw">
            unsent
          </Text>
        </View>
      )}
    </>
  );
  if (onChoose !== undefined) {
    return (
      <Pressable role="button" aria-label={label} onPress={() => onChoose(photo)} {...frame}>
        {shownInside}
      </Pressable>
    );
  }
  const href = {
    pathname: '/houses/[houseId]/record/[photoId]',
    params: { houseId: photo.ledgerId, photoId: photo.id },
  } as const;
  return (
    <LinkArea href={href} label={label} isHere={isHere} {...frame}>
      {shownInside}
    </LinkArea>
  );
});

const styles = StyleSheet.create({
  tile: {
    borderWidth: 1,
    borderRadius: CORNER,
    overflow: 'hidden',
    alignItems: 'center',
    justifyContent: 'center',
  },
  here: { borderWidth: 4 },
  unsent: { position: 'absolute', left: 0, bottom: 0, paddingHorizontal: 6, borderTopRightRadius: CORNER },
});
