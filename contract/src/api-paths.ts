/** Paths of the API, for those who call it and those who answer. */
export const API = '/api/v1';

export const apiPaths = {
  health: `${API}/health`,
  ready: `${API}/ready`,
  houses: `${API}/houses`,
  events: `${API}/events`,
  changes: (houseId: string) => `${API}/houses/${houseId}/changes`,
  /** Where pictures are sent to, piece by piece, by the tus protocol 1.0. */
  uploads: `${API}/uploads`,
  picture: (sha256: string) => `${API}/pictures/${sha256}`,
  thumbnail: (sha256: string) => `${API}/pictures/${sha256}/thumbnail`,
  compute: (operation: string) => `${API}/compute/${operation}`,
} as const;

/** Header in which a device names who writes. */
export const AUTHOR_HEADER = 'x-calvet-author';

/** Header in which a device says which one it is: a UUID that it made for itself. */
export const DEVICE_HEADER = 'x-calvet-device';
