const KEPT = 6;
const KEY = 'calvet.recent-materials';

/** Ids of the materials that were chosen last on this device, the latest first. */
export function recentMaterials(): readonly string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? kept.filter((id): id is string => typeof id === 'string') : [];
  } catch {
    return [];
  }
}

/** Puts a material first among those that were chosen last. */
export function rememberMaterial(id: string): void {
  const ids = [id, ...recentMaterials().filter((each) => each !== id)].slice(0, KEPT);
  try {
    localStorage.setItem(KEY, JSON.stringify(ids));
  } catch {
    // A device without room for it begins with the library.
  }
}
