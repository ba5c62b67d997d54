import type { TraceInput } from './trace';

/** A floor, a wall and a roof with one joint left open. */
export const traceExample: TraceInput = {
  areas: [
    { id: 'floor', kind: 'floor', airBarrierLayer: 'membrane', verified: true, sides: 1 },
    { id: 'wall', kind: 'wall', airBarrierLayer: 'sheathing', verified: true },
    { id: 'roof', kind: 'roof', airBarrierLayer: 'membrane', verified: true, sides: 1 },
  ],
  junctions: [
    {
      id: 'sill',
      ends: [
        { areaId: 'wall', place: 'bottom' },
        { areaId: 'floor', place: 'side:1' },
      ],
      lengthM: 32,
      state: 'sealed',
    },
    {
      id: 'seam',
      ends: [
        { areaId: 'wall', place: 'left' },
        { areaId: 'wall', place: 'right' },
      ],
      lengthM: 5.2,
      state: 'sealed',
    },
    {
      id: 'eaves',
      ends: [
        { areaId: 'wall', place: 'top' },
        { areaId: 'roof', place: 'side:1' },
      ],
      lengthM: 32,
      state: 'open',
    },
  ],
  penetrations: [{ id: 'vent', areaId: 'roof', state: 'notSeen' }],
};
