import { useFonts } from 'expo-font';
import { ICON_FAMILY } from './icon-font/icon-set';
import { fonts } from './tokens';

const FONT_FILES = {
  [fonts.text]: require('@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf'),
  [fonts.bold]: require('@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf'),
  [fonts.heavy]: require('@expo-google-fonts/atkinson-hyperlegible-next/800ExtraBold/AtkinsonHyperlegibleNext_800ExtraBold.ttf'),
  [fonts.figure]: require('@expo-google-fonts/atkinson-hyperlegible-mono/400Regular/AtkinsonHyperlegibleMono_400Regular.ttf'),
  [fonts.figureBold]: require('@expo-google-fonts/atkinson-hyperlegible-mono/700Bold/AtkinsonHyperlegibleMono_700Bold.ttf'),
  [ICON_FAMILY]: require('./icon-font/icons.ttf'),
};

/** Loads the fonts that ship with the app; until they are here the page stands in the system's. */
export function useFontFiles(): void {
  useFonts(FONT_FILES);
}
