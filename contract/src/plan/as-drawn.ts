import type { House } from '../house/house';
import { PLAIN_AREA, type Area, type KeptArea } from '../installation/area';
import { notStored } from '../record';
import { itemId } from './item-key';
import { measureDrawing, type HouseSizes, type MeasuredDrawing } from './measured-drawing';
import type { Drawing } from './plan-input';
import { roofsAsLaid } from './roofs-as-laid';
import { drawnAreas, type DrawnArea } from './planned-areas';
import { filledOver, whereNothingIsDrawn } from './undrawn';

/** What of a house's records the drawing may fill in. */
export interface KeptHouseView extends Drawing {
  readonly house: House;
  readonly areas: readonly KeptArea[];
}

/** A house with what its drawing says. */
export type Drawn<View extends KeptHouseView> = Omit<View, 'house' | 'areas'> & {
  readonly house: House;
  readonly areas: readonly Area[];
  readonly drawing: MeasuredDrawing;
  /** Areas by the keys of what they are drawn as, and whether something of its own was entered of each. */
  readonly drawn: ReadonlyMap<string, DrawnArea & { readonly isKept: boolean }>;
};

function houseAsDrawn(house: House, measured: MeasuredDrawing): House {
  if (measured.state !== 'measured') return house;
  const entered = Object.entries(measured.house).map(([name, size]) => [
    name,
    house[name as keyof HouseSizes] ?? size,
  ]);
  return filledOver(house, { ...house, ...(Object.fromEntries(entered) as HouseSizes) });
}

const areaAsDrawn = (kept: KeptArea, { name, kind, areaM2, buildUp }: DrawnArea): Area =>
  filledOver(kept, {
    ...kept,
    name: kept.name ?? name,
    kind: kept.kind ?? kind,
    areaM2: kept.areaM2 ?? areaM2,
    buildUp: kept.buildUp ?? buildUp,
  });

/** A drawn area of which there is no record yet. */
export const areaToBe = (houseId: string, id: string, item: string, itemName: string): KeptArea => ({
  ...notStored(id, houseId),
  name: null,
  kind: null,
  areaM2: null,
  buildUp: null,
  grade: null,
  voidFraction: null,
  ...PLAIN_AREA,
  item,
  itemName,
});

/**
 * Fills in what the records of a house leave to its drawing: sizes of the house that are null, where its slopes lie, and each
 * drawn area, of which there is a record only once something of its own was entered.
 * @param begun what is laid over an area of which there is no record yet: what is being typed into it
 */
export function asDrawn<View extends KeptHouseView>(
  view: View,
  begun: (area: KeptArea) => KeptArea = (area) => area,
): Drawn<View> {
  const drawing = { ...view, roofs: roofsAsLaid(view) };
  const measured = measureDrawing(drawing);
  if (measured.state === 'none')
    return { ...view, ...whereNothingIsDrawn(view), drawing: measured, drawn: new Map() };
  const kept = new Map(
    view.areas.flatMap((area) => (area.item === null ? [] : [[area.item, area] as const])),
  );
  const drawn = drawnAreas(drawing, measured);
  const keys = new Set(drawn.map(({ key }) => key));
  const { id: houseId } = view.house;
  const ofDrawing = drawn.map((area) => {
    const { key, name } = area;
    return areaAsDrawn(kept.get(key) ?? begun(areaToBe(houseId, itemId(houseId, key), key, name)), area);
  });
  const others = view.areas.filter(({ item }) => item === null || !keys.has(item));
  return {
    ...drawing,
    house: houseAsDrawn(view.house, measured),
    areas: [...ofDrawing, ...whereNothingIsDrawn({ house: view.house, areas: others }).areas],
    drawing: measured,
    drawn: new Map(drawn.map((area) => [area.key, { ...area, isKept: kept.has(area.key) }])),
  };
}
