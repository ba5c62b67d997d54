export { seedBatches, type SeedBatch } from './changes';
export { demoHouses, type DemoHouse } from './scenario';
