/** Everything of the bench in one piece, which is fetched when it is first opened. */
export { BenchFrame } from './bench-frame';
export { BenchScreen, OperationPage } from './bench-screen';
