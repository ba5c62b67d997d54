/** Styles that the web target knows and the types of React Native do not. */
const web = (style: Readonly<Record<string, string | number>>): object => style;

export const SCROLLS = web({ overflowY: 'auto' });
/** As high as what is in it: what is around it scrolls. */
export const AS_HIGH_AS_IT_IS = web({ flexGrow: 0, flexShrink: 0, flexBasis: 'auto', overflowY: 'visible' });
export const AS_WIDE_AS_ITS_WORDS = web({ minWidth: 'fit-content' });
/** Shown after what follows it, on a line of its own. */
export const SHOWN_LAST = web({ order: 1 });
/** For what takes the focus and is nothing to press. */
export const NO_OUTLINE = web({ outlineStyle: 'none' });
/** Scrolled into sight, there is room below it for what may be said of it, and for what can be chosen then. */
export const WITH_ROOM_BELOW = web({ scrollMarginBottom: 96 });
/** A word that is wider than its room is broken; a figure never is. */
export const BREAKS_WORDS = web({ wordWrap: 'anywhere' });
export const STAYS_WHOLE = web({ wordWrap: 'normal' });
