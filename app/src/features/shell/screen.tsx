import type { Href } from 'expo-router';
import Head from 'expo-router/head';
import { createContext, memo, use, useRef, type ReactNode, type RefObject } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';
import { Text } from '../../ui/text';
import { useIsWide, usePalette, usePageSize } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { AS_HIGH_AS_IT_IS, NO_OUTLINE, SCROLLS, SHOWN_LAST } from '../../ui/web-styles';
import { AppearanceSwitch, UnitSwitch } from './display-switches';
import { useGoBack, useScrollMemory } from './history';
import { SyncMark } from './sync-mark';

interface ScreenProps {
  /** Whose screen this is: the house, or the app. */
  readonly name: string;
  readonly detail?: string;
  readonly back?: Href;
  readonly backLabel?: string;
  /** Stays in view above what scrolls. */
  readonly pinned?: ReactNode;
  /** Main action, in reach of the thumb. */
  readonly footer?: ReactNode;
  readonly children: ReactNode;
}

/** What stands under the name on every page of something: of a house its air barrier, unrolled. */
export const UnderNameContext = createContext<ReactNode>(null);

/** Where the skip link leads. */
export const PAGE_ID = 'page';

/** Where one is, and how it stands with what was entered: the same while somebody types below it. */
const Top = memo(function Top({
  name,
  detail,
  back,
  backLabel = 'Back',
}: Pick<ScreenProps, 'name' | 'detail' | 'back' | 'backLabel'>) {
  const goBack = useGoBack();
  const isWide = useIsWide();
  const { isNarrow } = usePageSize();
  return (
    <>
      <Head>
        <title>{`${[name, detail].filter(Boolean).join(' · ')} – Calvet`}</title>
      </Head>
      <View role="banner" style={[styles.top, isWide && styles.topWide, isNarrow && styles.topNarrow]}>
        {back !== undefined && (
          <Button kind="quiet" iconOnly icon="arrow-left" label={backLabel} onPress={() => goBack(back)} />
        )}
        <View role="heading" aria-level={1} style={[styles.names, isNarrow && styles.namesNarrow]}>
          <Text look="section" numberOfLines={1}>
            {name}
          </Text>
          {detail !== undefined && detail !== '' && (
            <Text look="small" tone="soft" numberOfLines={1}>
              {detail}
            </Text>
          )}
        </View>
        <SyncMark />
        <UnitSwitch />
        <AppearanceSwitch />
      </View>
    </>
  );
});

/** A page: a slim line that says where one is, what scrolls, and what to do next at its foot. */
export function Screen({ pinned, footer, children, ...top }: ScreenProps) {
  const underName = use(UnderNameContext);
  const palette = usePalette();
  const isWide = useIsWide();
  const { isSmall } = usePageSize();
  const whole = useRef<View>(null);
  const inner = useRef<ScrollView>(null);
  // Where there is little room, the page scrolls as a whole. On the web what is shown is an element of the page.
  useScrollMemory((isSmall ? whole : inner) as unknown as RefObject<HTMLElement | null>);
  return (
    <View ref={whole} style={[styles.screen, { backgroundColor: palette.paper }, isSmall && SCROLLS]}>
      <Top {...top} />
      <View
        role="main"
        id={PAGE_ID}
        tabIndex={-1}
        style={[styles.page, isSmall && AS_HIGH_AS_IT_IS, NO_OUTLINE]}
      >
        {underName}
        {pinned}
        <ScrollView
          ref={inner}
          style={[styles.scroll, isSmall && AS_HIGH_AS_IT_IS]}
          contentContainerStyle={[styles.content, isWide && styles.contentWide]}
          keyboardShouldPersistTaps="handled"
        >
          {children}
        </ScrollView>
        {footer !== undefined && (
          <View style={[styles.footer, isWide && styles.footerWide, { borderTopColor: palette.line }]}>
            {footer}
          </View>
        )}
      </View>
    </View>
  );
}

interface DeleteAtEndProps {
  readonly label: string;
  readonly onPress: () => void;
}

/** What deletes stands at the end of a page, out of the thumb's way. */
export function DeleteAtEnd({ label, onPress }: DeleteAtEndProps) {
  return (
    <View style={styles.end}>
      <Button kind="quiet" label={label} icon="trash-can-outline" onPress={onPress} />
    </View>
  );
}

const styles = StyleSheet.create({
  end: { alignItems: 'flex-start', paddingTop: space.l },
  screen: { flex: 1, minHeight: 0 },
  top: {
    flexDirection: 'row',
    alignItems: 'center',
    paddingLeft: space.l,
    paddingRight: space.xs,
    minHeight: 56,
  },
  topNarrow: { flexWrap: 'wrap', paddingLeft: space.xs },
  topWide: { paddingLeft: space.xl, paddingRight: space.m },
  names: { flex: 1, minWidth: 0 },
  namesNarrow: { flexBasis: '100%', paddingLeft: space.s, ...SHOWN_LAST },
  page: { flex: 1, minHeight: 0 },
  scroll: { flex: 1 },
  content: { padding: space.m, paddingTop: space.xs, gap: space.m },
  contentWide: { paddingHorizontal: space.xl, paddingBottom: space.xl, gap: space.l },
  footer: { padding: space.m, flexDirection: 'row', flexWrap: 'wrap', gap: space.s, borderTopWidth: 1 },
  footerWide: { paddingHorizontal: space.xl, justifyContent: 'flex-end' },
});
