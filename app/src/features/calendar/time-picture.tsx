import type { Hold } from '@calvet/contract/calendar/hold';
import { workName, type Work } from '@calvet/contract/plan/work';
import type { WorkDays } from '@calvet/core/calendar/hold-points';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Text as SvgText } from 'react-native-svg';
import { usePalette } from '../../ui/theme';
import { fonts } from '../../ui/tokens';
import { wordsWithin } from '../drawing/plan-scale';
import { weekday } from './work-words';

const ROW = 30;
const TOP = 26;
const TEXT_PX = 13;
const SIDE = 6;
/** A work of a day on a long calendar is still seen. */
const LEAST_PX = 5;

interface TimePictureProps {
  /** In the order in which they begin. */
  readonly works: readonly Work[];
  readonly days: ReadonlyMap<string, WorkDays>;
  readonly holds: readonly Hold[];
  readonly today: string;
  readonly onChoose: (id: string) => void;
}

/** Works against the calendar: solid what is done, dotted what is to come, and before each a mark by when it is looked at. */
export function TimePicture({ works, days, holds, today, onChoose }: TimePictureProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const placed = works.flatMap((work) => {
    const { start = null, end = null } = days.get(work.id) ?? {};
    return start === null || end === null ? [] : [{ work, start, end }];
  });
  const all = [...placed.flatMap(({ start, end }) => [start, end]), today].sort();
  const [first = today, last = today] = [all[0], all.at(-1)];
  const count = differenceInCalendarDays(parseISO(last), parseISO(first)) + 1;
  const pxADay = (width - 2 * SIDE) / count;
  const x = (isoDay: string) => SIDE + differenceInCalendarDays(parseISO(isoDay), parseISO(first)) * pxADay;
  const height = TOP + placed.length * ROW;
  const words = `${placed.length} works from ${weekday(first)} to ${weekday(last)}`;
  return (
    <View style={{ height }} onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}>
      {width > 0 && (
        <Svg width={width} height={height} role="img" aria-label={words}>
          <Line x1={x(today)} x2={x(today)} y1={TOP - 8} y2={height} stroke={palette.ink} strokeWidth={1} />
          <SvgText
            x={Math.min(width - 40, Math.max(0, x(today) - 18))}
            y={12}
            fontFamily={fonts.bold}
            fontSize={TEXT_PX}
            fill={palette.ink}
          >
            today
          </SvgText>
          {placed.map(({ work, start, end }, i) => {
            const y = TOP + i * ROW + 20;
            const [from, to] = [x(start), Math.max(x(start) + LEAST_PX, x(end) + pxADay)];
            const own = holds.filter((hold) => hold.work === work.id);
            const isLate = own.some(({ state }) => state === 'late' || state === 'coveredUnseen');
            const seeBy = own.find((hold) => hold.seeBy !== null)?.seeBy ?? null;
            // Words that would run over the right edge end there.
            const isAtEnd = from > width / 2;
            return (
              <G key={work.id} onPress={() => onChoose(work.id)}>
                <SvgText
                  x={isAtEnd ? to : from}
                  y={y - 7}
                  textAnchor={isAtEnd ? 'end' : 'start'}
                  fontFamily={fonts.text}
                  fontSize={TEXT_PX}
                  fill={palette.ink}
                >
                  {wordsWithin(workName(work), isAtEnd ? to : width - from, TEXT_PX)}
                </SvgText>
                <Line
                  x1={from}
                  x2={to}
                  y1={y}
                  y2={y}
                  stroke={work.begunOn === null ? palette.unseen : palette.lake}
                  strokeWidth={7}
                  strokeDasharray={work.begunOn === null ? '3 4' : work.doneOn === null ? '9 5' : undefined}
                />
                {seeBy !== null && (
                  <Line
                    x1={x(seeBy) + pxADay / 2}
                    x2={x(seeBy) + pxADay / 2}
                    y1={y - 4}
                    y2={y + 6}
                    stroke={isLate ? palette.ember : palette.ink}
                    strokeWidth={3}
                  />
                )}
              </G>
            );
          })}
        </Svg>
      )}
    </View>
  );
}
