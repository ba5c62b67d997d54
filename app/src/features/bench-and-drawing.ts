/**
 * The Bench and the drawing as one piece, which is fetched when either is first needed. They share core's computation of a plan:
 * in two pieces that would be in what every page loads.
 */
export { asDrawn } from '@calvet/contract/plan/as-drawn';
export { BenchFrame } from './bench/bench-frame';
export { BenchScreen, OperationPage } from './bench/bench-screen';
export { DrawingScreen } from './drawing/drawing-screen';
