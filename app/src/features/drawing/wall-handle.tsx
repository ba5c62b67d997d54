import type { Storey } from '@calvet/contract/plan/storey';
import { directionOf, layOutline, type LaidWall } from '@calvet/contract/plan/lay-outline';
import { withWallMoved } from '@calvet/contract/plan/outline-edits';
import { wallName } from '@calvet/contract/plan/planned-areas';
import { snappedMove } from '@calvet/contract/plan/snapped-move';
import { METRES_PER_INCH } from '@calvet/core/units/factors';
import { useState } from 'react';
import { StyleSheet, View, type PointerEvent, type ViewStyle } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { figureWithUnit } from '../../ui/format';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import type { PlanScale } from './plan-scale';

/** Steps in which a wall is dragged, in m: what a drawing is dimensioned in. */
const STEPS_M = { metric: 0.05, imperial: METRES_PER_INCH } as const;
/** How near the line of another wall takes hold, on the picture and in m. */
const REACH = { pixels: 8, mostM: 0.3 } as const;
const SIZE = 44;
const DISC = 18;
/** As far as anybody drags a wall at once. */
const FARTHEST_M = 50;

const DRAG = { touchAction: 'none', cursor: 'move' } as unknown as ViewStyle;

interface WallHandleProps {
  readonly storey: Storey;
  /** Of the storey, chosen. */
  readonly at: number;
  /** Into whose lines it may come, besides its own storey's. */
  readonly below: readonly LaidWall[];
  readonly scale: PlanScale;
  /** How far it stands from where it was while it is dragged; null when it is not. */
  readonly onDrag: (movedM: number | null) => void;
  readonly onMove: (movedM: number) => void;
}

/** What a wall is dragged by, outwards or inwards; by arrow keys too. */
export function WallHandle({ storey, at, below, scale, onDrag, onMove }: WallHandleProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const [held, setHeld] = useState<{ readonly x: number; readonly y: number } | null>(null);
  const [movedM, setMovedM] = useState(0);
  const walls = layOutline(storey);
  const laid = walls[at];
  if (laid === undefined) return null;
  const outwards = directionOf(laid.headingDeg - 90);
  const stepM = STEPS_M[units];
  const movedTo = ({ nativeEvent: { clientX, clientY } }: PointerEvent, from: { x: number; y: number }) => {
    const [acrossM, upM] = [(clientX - from.x) / scale.pixelsPerM, (from.y - clientY) / scale.pixelsPerM];
    const draggedM = acrossM * outwards.xM + upM * outwards.yM;
    const reachM = Math.min(REACH.mostM, REACH.pixels / scale.pixelsPerM);
    const next = snappedMove(laid, draggedM, [...walls, ...below], { stepM, reachM });
    // Where a wall beside it would be gone, it stays where it last could be.
    return withWallMoved(storey, at, next) === null ? movedM : next;
  };
  const letGo = (): void => {
    setHeld(null);
    onDrag(null);
    if (held !== null && Math.abs(movedM) > 1e-6) onMove(movedM);
    setMovedM(0);
  };
  const step = (by: number): void => {
    if (withWallMoved(storey, at, by) !== null) onMove(by);
  };
  const middle = {
    x: scale.x((laid.from.xM + laid.to.xM) / 2 + outwards.xM * movedM),
    y: scale.y((laid.from.yM + laid.to.yM) / 2 + outwards.yM * movedM),
  };
  // Up and right are outwards where the wall faces that way.
  const keys: Readonly<Record<string, number>> = {
    ArrowUp: Math.sign(Math.round(outwards.yM * 100)),
    ArrowDown: -Math.sign(Math.round(outwards.yM * 100)),
    ArrowRight: Math.sign(Math.round(outwards.xM * 100)),
    ArrowLeft: -Math.sign(Math.round(outwards.xM * 100)),
  };
  const words = figureWithUnit(movedM, 'length', units);
  return (
    <View
      role="slider"
      aria-label={`Move ${wallName(storey, laid.wall)}`}
      aria-valuemin={-FARTHEST_M}
      aria-valuemax={FARTHEST_M}
      aria-valuenow={movedM}
      aria-valuetext={`${words} outwards`}
      tabIndex={0}
      {...({
        onKeyDown: (event: { readonly key: string; readonly preventDefault: () => void }) => {
          const by = keys[event.key] ?? 0;
          if (by === 0) return;
          event.preventDefault();
          step(by * stepM);
        },
      } as object)}
      onPointerDown={(event) => {
        (event.currentTarget as unknown as Element).setPointerCapture(event.nativeEvent.pointerId);
        setHeld({ x: event.nativeEvent.clientX, y: event.nativeEvent.clientY });
      }}
      onPointerMove={(event) => {
        if (held === null) return;
        const next = movedTo(event, held);
        setMovedM(next);
        onDrag(next);
      }}
      onPointerUp={letGo}
      onPointerCancel={() => {
        setHeld(null);
        setMovedM(0);
        onDrag(null);
      }}
      style={[styles.handle, DRAG, { left: middle.x - SIZE / 2, top: middle.y - SIZE / 2 }]}
    >
      <View style={[styles.disc, { backgroundColor: palette.card, borderColor: palette.ink }]} />
      {held !== null && (
        <View style={[styles.words, { backgroundColor: palette.card, borderColor: palette.line }]}>
          <Text look="figureStrong">{movedM > 0 ? `+${words}` : words}</Text>
        </View>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  handle: {
    position: 'absolute',
    width: SIZE,
    height: SIZE,
    alignItems: 'center',
    justifyContent: 'center',
  },
  disc: { width: DISC, height: DISC, borderRadius: DISC / 2, borderWidth: 3 },
  words: { position: 'absolute', top: SIZE, borderWidth: 1, paddingHorizontal: 6, paddingVertical: 2 },
});
