import type { readChange } from '../changes/read-change';
import {
  listOf,
  parseJsonFile,
  recordsOf,
  UnreadableFile,
  writeJsonFile,
  type JsonFormat,
} from '../json-file';
import { fieldsOf } from '../kinds';
import type { AreaBody, BuildUp } from './area';
import { MADE_BY_HAND, PLAIN_AREA } from './area';
import type { BuildUpLayer } from './layer';
import type { Material, MaterialBody } from './material';
import { materialsOf } from './material-library';

const MATERIALS: JsonFormat = { format: 'calvet-materials', versions: [1], of: 'materials' };
const BUILD_UPS: JsonFormat = { format: 'calvet-build-ups', versions: [1], of: 'build-ups' };
/** No library and no house comes near it. */
export const BUILD_UP_FILE_BYTES_MAX = 2_000_000;

/** A practice's own materials as a file, and those that it altered. */
export const writeMaterialsFile = (own: readonly Material[]): string =>
  writeJsonFile(MATERIALS, {
    materials: own.map((material) => ({
      id: material.id,
      ...Object.fromEntries(fieldsOf('material').map((name) => [name, material[name as keyof MaterialBody]])),
    })),
  });

/** A material as a file has it. */
export interface FileMaterial {
  readonly id: string;
  readonly body: MaterialBody;
}

/**
 * Materials of a file: all of them, or none.
 * @param read checks a record as the server does
 * @throws {UnreadableFile}
 */
export function readMaterialsFile(text: string, read: typeof readChange): readonly FileMaterial[] {
  const list = listOf(parseJsonFile(text, MATERIALS), 'materials');
  return recordsOf(list, 'materials', 'material', read).map(({ id, body }) => ({
    id,
    body: body as MaterialBody,
  }));
}

/** Build-ups as a file, layer for layer. */
export const writeBuildUpsFile = (buildUps: readonly BuildUp[]): string =>
  writeJsonFile(BUILD_UPS, { buildUps });

/** What was read from a file of build-ups. */
export interface ReadBuildUps {
  readonly buildUps: readonly BuildUp[];
  /** Names of what is made of materials that nobody here knows: with the figures of the file. */
  readonly unknown: readonly string[];
}

const AN_AREA: AreaBody = {
  name: 'Area',
  kind: 'wall',
  areaM2: null,
  buildUp: null,
  grade: null,
  voidFraction: null,
  ...PLAIN_AREA,
  ...MADE_BY_HAND,
};
const ITS_ID = '01a1f000-0000-7000-8000-000000000001';

/** Layers and fills with the material that each is made of. */
const madeOf = (
  layer: BuildUpLayer,
): readonly { readonly name: string; readonly materialId: string | null }[] => [
  layer,
  ...(layer.kind === 'framed' ? layer.fills : []),
];

/**
 * Build-ups of a file: all of them, or none. What is made of a material that nobody here knows keeps its figures and its name.
 * @param own materials of the practice
 * @param read checks a record as the server does
 * @throws {UnreadableFile}
 */
export function readBuildUpsFile(
  text: string,
  own: readonly Material[],
  read: typeof readChange,
): ReadBuildUps {
  const entries = listOf(parseJsonFile(text, BUILD_UPS), 'buildUps');
  if (entries.length === 0) throw new UnreadableFile('There is no build-up in this file.');
  const buildUps = entries.flatMap((buildUp, i) =>
    recordsOf([{ ...AN_AREA, id: ITS_ID, buildUp }], `buildUps[${i}]`, 'area', read).flatMap(({ body }) => {
      const { buildUp: checked } = body as AreaBody;
      return checked === null ? [] : [checked];
    }),
  );
  const known = new Set(materialsOf(own).map(({ id }) => id));
  const strange = buildUps
    .flatMap(({ layers }) => layers.flatMap(madeOf))
    .filter(({ materialId }) => materialId !== null && !known.has(materialId))
    .map(({ name, materialId }) => (name === '' ? (materialId ?? '') : name));
  return { buildUps, unknown: [...new Set(strange)] };
}
