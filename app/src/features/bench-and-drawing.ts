/**
 * The Bench, the drawing and what follows from it as one piece, which is fetched when any of them is first needed. They share core's computation of a plan:
 * in two pieces that would be in what every page loads.
 */
export { asDrawn } from '@calvet/contract/plan/as-drawn';
export { BenchFrame } from './bench/bench-frame';
export { BenchScreen, OperationPage } from './bench/bench-screen';
export { BuiltScreen } from './built/built-screen';
export { CalendarScreen } from './calendar/calendar-screen';
export { DrawingScreen } from './drawing/drawing-screen';
export { StopsScreen } from './stops/stops-screen';
export { TodayScreen } from './today/today-screen';
export { WalkRoom } from './walk/walk-room';
export { ContinuityScreen } from './continuity/continuity-screen';
export { SeamOfHouse } from './continuity/seam';
export { MendsScreen } from './mends/mends-screen';
export { AreaScreen } from './fill/area-screen';
export { CompareScreen } from './fill/compare-screen';
export { WorthScreen } from './worth/worth-screen';
export { MaterialsScreen } from './materials/materials-screen';
