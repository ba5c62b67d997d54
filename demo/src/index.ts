export { seedBatches, viewOfDemo, type SeedBatch } from './changes';
export { photoBatches, type PhotoBatch } from './photos/photo-batches';
export { sendPictures } from './send-pictures';
export { demoHouses, type DemoHouse } from './scenario';
