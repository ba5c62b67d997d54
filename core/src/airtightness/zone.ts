import { LIMIT_SLACK } from '../finding';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, fields, figure, number, optional, outcome, part, positive, text } from '../schema';
import { equivalentHoleM2 } from './figures';

export interface ZoneInput {
  readonly houseOutdoorPressurePa: number;
  /** Of the same sign as house–outdoors and no larger. */
  readonly houseZonePressurePa: number;
  /** 0.5…1; 0.65 where nobody measured it. */
  readonly exponent?: number;
  /** Flow of the whole house with the door to the zone closed (Q1). */
  readonly closedFlowM3h?: number;
  /** The same with that door open, the house at the same pressure (Q2). */
  readonly openFlowM3h?: number;
}

/** The two leaks in series that separate house, zone and outdoors. */
export interface ZonePaths {
  readonly zoneOutdoorCoefficientM3hPaN: number;
  readonly houseZoneCoefficientM3hPaN: number;
  /** Leakage of the house through the zone at the test's pressure. */
  readonly throughZoneM3h: number;
  readonly zoneOutdoorEqLA10M2: number;
  readonly houseZoneEqLA10M2: number;
}

export interface Zone {
  readonly state: 'indoors' | 'between' | 'outdoors';
  readonly zoneOutdoorPressurePa: number;
  /** Leakage of house–zone over that of zone–outdoors; null unless the zone lies between. */
  readonly leakageRatio: number | null;
  readonly paths: ZonePaths | null;
}

const EXPONENT = 0.65;

function refuseImpossiblePressures(outdoorsPa: number, zonePa: number): void {
  if (outdoorsPa === 0) {
    throw new Refusal(
      'out-of-range',
      'houseOutdoorPressurePa',
      'The house must be under pressure for this.',
      {
        value: 0,
        bound: 0,
      },
    );
  }
  if (zonePa * Math.sign(outdoorsPa) < 0 || Math.abs(zonePa) > Math.abs(outdoorsPa)) {
    throw new Refusal(
      'out-of-range',
      'houseZonePressurePa',
      `The pressure between house and zone must lie between 0 and ${outdoorsPa} Pa: check hoses and signs.`,
      { value: zonePa, bound: outdoorsPa },
    );
  }
}

/** Both flows, or null where neither was measured. */
function flowsOf({ closedFlowM3h, openFlowM3h }: ZoneInput): { closed: number; open: number } | null {
  if (closedFlowM3h === undefined && openFlowM3h === undefined) return null;
  if (closedFlowM3h === undefined) {
    throw new Refusal('required', 'closedFlowM3h', 'Give the flow with the door to the zone closed as well.');
  }
  if (openFlowM3h === undefined) {
    throw new Refusal('required', 'openFlowM3h', 'Give the flow with the door to the zone open as well.');
  }
  return { closed: closedFlowM3h, open: openFlowM3h };
}

function stateOf(houseZonePa: number, zoneOutdoorPa: number): Zone['state'] {
  if (houseZonePa <= LIMIT_SLACK) return 'indoors';
  return zoneOutdoorPa <= LIMIT_SLACK ? 'outdoors' : 'between';
}

/**
 * Where a zone beside the house (attic, garage, crawl space) belongs, and how leaky its two sides are: leaks in
 * series share one flow, so C_hz/C_zo = (P_zo/P_hz)^n. With the door opened for a second run at the same pressure,
 * C_zo = (Q2 − Q1)/(P_ho^n − P_zo^n). Pressures in Pa, flows in m³/h; EqLA10 by ISO 9972, 6.3.5.
 * @example zone({ houseOutdoorPressurePa: -50, houseZonePressurePa: -43.5 }).leakageRatio // 0.29
 * @throws {Refusal} `out-of-range`, `required`, `no-flow-increase`
 */
export function zone(input: ZoneInput): Zone {
  const { houseOutdoorPressurePa, houseZonePressurePa, exponent = EXPONENT } = input;
  refuseImpossiblePressures(houseOutdoorPressurePa, houseZonePressurePa);
  const flows = flowsOf(input);
  const zoneOutdoorPressurePa = houseOutdoorPressurePa - houseZonePressurePa;
  const [pho, phz, pzo] = [
    Math.abs(houseOutdoorPressurePa),
    Math.abs(houseZonePressurePa),
    Math.abs(zoneOutdoorPressurePa),
  ];
  const state = stateOf(phz, pzo);
  if (state !== 'between') return { state, zoneOutdoorPressurePa, leakageRatio: null, paths: null };
  const leakageRatio = (pzo / phz) ** exponent;
  return {
    state,
    zoneOutdoorPressurePa,
    leakageRatio,
    paths: flows === null ? null : pathsOf(flows, leakageRatio, pho, pzo, exponent),
  };
}

function pathsOf(
  flows: { readonly closed: number; readonly open: number },
  leakageRatio: number,
  pho: number,
  pzo: number,
  exponent: number,
): ZonePaths {
  const gain = flows.open - flows.closed;
  if (gain <= 0) {
    throw new Refusal(
      'no-flow-increase',
      'openFlowM3h',
      'Opening the door must raise the flow: bring the house back to the same pressure and read again.',
      { value: flows.open, bound: flows.closed },
    );
  }
  const zoneOutdoor = gain / (pho ** exponent - pzo ** exponent);
  const houseZone = zoneOutdoor * leakageRatio;
  return {
    zoneOutdoorCoefficientM3hPaN: zoneOutdoor,
    houseZoneCoefficientM3hPaN: houseZone,
    throughZoneM3h: zoneOutdoor * pzo ** exponent,
    zoneOutdoorEqLA10M2: equivalentHoleM2(zoneOutdoor * 10 ** exponent, 10),
    houseZoneEqLA10M2: equivalentHoleM2(houseZone * 10 ** exponent, 10),
  };
}

export const zoneOperation: Operation<ZoneInput, Zone> = {
  words: {
    shelf: 'airtightness',
    title: 'Zone beside the house',
    tells:
      'Whether an attic, garage or crawl space is coupled to indoors or outdoors, and by how large a leak.',
    alsoCalled: 'zone pressure, ZPD, attic, garage, crawl space, pressure pan, series leakage, blower door',
    mainFigures: ['state', 'leakageRatio', 'paths.houseZoneEqLA10M2', 'paths.zoneOutdoorEqLA10M2'],
    caution: 'A garage coupled to the house lets exhaust gas in: close that path first. Local code decides.',
  },
  schema: fields<ZoneInput>({
    houseOutdoorPressurePa: figure('housePressure'),
    houseZonePressurePa: figure('housePressure'),
    exponent: as('Exponent n', optional(number({ quantity: 'plain', min: 0.5, max: 1 }))),
    closedFlowM3h: as('q50 with the zone closed', optional(positive('flow'))),
    openFlowM3h: as('q50 with the zone open', optional(positive('flow'))),
  }),
  run: zone,
  output: outcome<Zone>({
    state: text(),
    zoneOutdoorPressurePa: figure('housePressure'),
    leakageRatio: optional(figure('plain')),
    paths: optional(
      part({
        zoneOutdoorCoefficientM3hPaN: as('C zone to outdoors, m³/(h·Paⁿ)', figure('plain')),
        houseZoneCoefficientM3hPaN: as('C house to zone, m³/(h·Paⁿ)', figure('plain')),
        throughZoneM3h: as('Flow through the zone', figure('flow')),
        zoneOutdoorEqLA10M2: as('Leak area zone to outdoors', figure('leakArea')),
        houseZoneEqLA10M2: as('Leak area house to zone', figure('leakArea')),
      }),
    ),
  }),
};
