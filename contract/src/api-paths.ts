/** Paths of the API, for those who call it and those who answer. */
export const API = '/api/v1';

export const apiPaths = {
  health: `${API}/health`,
  ready: `${API}/ready`,
  houses: `${API}/houses`,
  deletedHouses: `${API}/houses/deleted`,
  events: `${API}/events`,
  /** What is new in several ledgers, each since a change number. */
  changesOf: (since: Iterable<readonly [string, number]>) =>
    `${API}/changes?since=${[...since].map((pair) => pair.join(':')).join(',')}`,
  changes: (ledgerId: string) => `${API}/ledgers/${ledgerId}/changes`,
  /** Where former versions of the app send what was entered in a house. */
  formerChanges: (houseId: string) => `${API}/houses/${houseId}/changes`,
  /** Where the pictures of a house are sent to, piece by piece, by the tus protocol 1.0. */
  uploads: (houseId: string) => `${API}/houses/${houseId}/uploads`,
  /** Where former versions of the app send pictures to, which do not say of which house. */
  formerUploads: `${API}/uploads`,
  picture: (houseId: string, sha256: string) => `${API}/houses/${houseId}/pictures/${sha256}`,
  /** Which of some pictures the server really has: their bytes are read and hashed. */
  confirmPictures: (houseId: string) => `${API}/houses/${houseId}/pictures/confirm`,
  thumbnail: (houseId: string, sha256: string) => `${API}/houses/${houseId}/pictures/${sha256}/thumbnail`,
  compute: (operation: string) => `${API}/compute/${operation}`,
} as const;

/** Header in which a device names who writes. */
export const AUTHOR_HEADER = 'x-calvet-author';

/** Header in which a device says which one it is: a UUID that it made for itself. */
export const DEVICE_HEADER = 'x-calvet-device';

/** Header in which a device says what its clock shows while it sends, ISO 8601: times of entry are put right by it. */
export const CLOCK_HEADER = 'x-calvet-clock';

/** Header of an answer that speaks of a picture: its SHA-256. Whoever else answers does not know it. */
export const PICTURE_HEADER = 'x-calvet-picture';
