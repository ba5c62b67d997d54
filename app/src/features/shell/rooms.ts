import type { Href } from 'expo-router';
import type { IconName } from '../../ui/icon-font/icon-set';

export interface Room {
  readonly label: string;
  readonly icon: IconName;
  /** Last part of the room's path; null for the room that a house opens with. */
  readonly segment: 'walk' | 'fill' | 'tests' | 'record' | null;
}

/** The rooms of a house, in the order of the work. */
export const ROOMS: readonly Room[] = [
  { label: 'Plan', icon: 'home-outline', segment: null },
  { label: 'Walk', icon: 'walk', segment: 'walk' },
  { label: 'Fill', icon: 'view-week-outline', segment: 'fill' },
  { label: 'Door test', icon: 'door-open', segment: 'tests' },
  { label: 'Record', icon: 'folder-image', segment: 'record' },
];

export function hrefOf(room: Room, houseId: string): Href {
  switch (room.segment) {
    case null:
      return { pathname: '/houses/[houseId]', params: { houseId } };
    case 'walk':
      return { pathname: '/houses/[houseId]/walk', params: { houseId } };
    case 'fill':
      return { pathname: '/houses/[houseId]/fill', params: { houseId } };
    case 'tests':
      return { pathname: '/houses/[houseId]/tests', params: { houseId } };
    case 'record':
      return { pathname: '/houses/[houseId]/record', params: { houseId } };
  }
}

/** Pages that lie in the room of another. */
const WITHIN: Readonly<Record<string, Room['segment']>> = {
  mends: 'walk',
  continuity: 'walk',
  stops: 'walk',
  worth: 'fill',
};

/** The room that a path lies in. */
export function roomAt(path: string): Room | undefined {
  const [, , , segment = ''] = path.split('/');
  return ROOMS.find((room) => room.segment === (WITHIN[segment] ?? segment)) ?? ROOMS[0];
}
