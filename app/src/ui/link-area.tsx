import { Link, useRouter, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, type GestureResponderEvent, type StyleProp, type ViewStyle } from 'react-native';

interface LinkAreaProps {
  /** Where it leads. */
  readonly href: Href;
  /** Only where what is shown does not say it. */
  readonly label?: string;
  /** It leads to where one is. */
  readonly isHere?: boolean;
  /** The focus has come to it. */
  readonly onFocus?: () => void;
  /** The focus has left it. */
  readonly onBlur?: () => void;
  /** Of the area, also by whether a pointer is over it. */
  readonly style?: StyleProp<ViewStyle> | ((isHovered: boolean) => StyleProp<ViewStyle>);
  /** What stands in it; all of it leads there. */
  readonly children: ReactNode;
}

/** True where the browser is asked to open it somewhere else: in a tab, in a window, as a file. */
function opensElsewhere(event: GestureResponderEvent): boolean {
  const { ctrlKey, metaKey, shiftKey, altKey } = event as unknown as MouseEvent;
  return ctrlKey || metaKey || shiftKey || altKey;
}

/** Something that leads somewhere: a link to the browser too, for keys, the middle button and “copy address”. */
export function LinkArea({ href, label, isHere = false, onFocus, onBlur, style, children }: LinkAreaProps) {
  const router = useRouter();
  // The web target makes an anchor of what has an address.
  const address = { href: Link.resolveHref(href) } as object;
  return (
    <Pressable
      {...address}
      role="link"
      aria-label={label}
      aria-current={isHere ? 'page' : undefined}
      onFocus={onFocus}
      onBlur={onBlur}
      onPress={(event) => {
        if (opensElsewhere(event)) return;
        event.preventDefault();
        router.navigate(href);
      }}
      style={({ hovered = false }: { pressed: boolean; hovered?: boolean }) =>
        typeof style === 'function' ? style(hovered) : style
      }
    >
      {children}
    </Pressable>
  );
}
