import { createContext, use, useMemo, type ReactNode } from 'react';
import { useColorScheme, useWindowDimensions } from 'react-native';
import { configureFonts, DefaultTheme, PaperProvider, type MD3Theme } from 'react-native-paper';
import { usePreferences } from '../data/preferences';
import { CORNER, dark, fonts, light, LOW, NARROW, rem, WIDE, type Palette } from './tokens';

const PaletteContext = createContext<Palette>(light);

/** Colours of the theme in force. */
export function usePalette(): Palette {
  return use(PaletteContext);
}

/** True where list and detail stand side by side. */
export function useIsWide(): boolean {
  return useWindowDimensions().width >= WIDE;
}

/** Where there is little room, the whole page scrolls; on its side, what would stand below stands beside. */
export interface PageSize {
  readonly isSmall: boolean;
  readonly isSideways: boolean;
  readonly isNarrow: boolean;
}

export function usePageSize(): PageSize {
  const { width, height } = useWindowDimensions();
  const isNarrow = width < NARROW;
  return { isSmall: height < LOW || isNarrow, isSideways: height < LOW && width > height, isNarrow };
}

/** Paper's type in the house's face, in sizes that follow the browser's. */
function paperFonts(): MD3Theme['fonts'] {
  const all = configureFonts({ config: { fontFamily: fonts.text } });
  const sized = <Font extends { readonly fontSize: number; readonly lineHeight: number }>(
    font: Font,
  ): Font => ({
    ...font,
    fontSize: rem(font.fontSize),
    lineHeight: rem(font.lineHeight),
  });
  return { ...all, bodyMedium: sized(all.bodyMedium), labelLarge: sized(all.labelLarge) };
}

function paperTheme(palette: Palette, isDark: boolean): MD3Theme {
  return {
    ...DefaultTheme,
    dark: isDark,
    roundness: CORNER,
    fonts: paperFonts(),
    colors: {
      ...DefaultTheme.colors,
      primary: palette.lake,
      onPrimary: palette.onFill,
      primaryContainer: palette.lakeTint,
      onPrimaryContainer: palette.ink,
      secondary: palette.soft,
      secondaryContainer: palette.lakeTint,
      onSecondaryContainer: palette.ink,
      background: palette.paper,
      onBackground: palette.ink,
      surface: palette.card,
      onSurface: palette.ink,
      onSurfaceDisabled: palette.soft,
      surfaceVariant: palette.card,
      onSurfaceVariant: palette.soft,
      outline: palette.line,
      outlineVariant: palette.line,
      error: palette.ember,
      errorContainer: palette.emberTint,
      inverseSurface: palette.ink,
      inverseOnSurface: palette.card,
      inversePrimary: palette.lakeTint,
      elevation: {
        ...DefaultTheme.colors.elevation,
        level1: palette.card,
        level2: palette.card,
        level3: palette.card,
      },
    },
  };
}

/** The house style: palette by the person's choice or the device's, and Paper dressed in it. */
export function Theme({ children }: { readonly children: ReactNode }) {
  const scheme = useColorScheme();
  const { appearance } = usePreferences();
  const isDark = appearance === 'system' ? scheme === 'dark' : appearance === 'dark';
  const palette = isDark ? dark : light;
  const theme = useMemo(() => paperTheme(palette, isDark), [palette, isDark]);
  return (
    <PaletteContext value={palette}>
      <style>{`:focus-visible{outline:2px solid ${palette.lake};outline-offset:1px}
dialog::backdrop{background:rgb(0 0 0/55%)}
.skip{position:absolute;left:-9999px;z-index:9}
.skip:focus{left:8px;top:8px;padding:12px 16px;color:${palette.onFill};background:${palette.lake};font-family:${fonts.bold}}`}</style>
      <PaperProvider theme={theme}>{children}</PaperProvider>
    </PaletteContext>
  );
}
