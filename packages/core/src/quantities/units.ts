/**
 * Units by dimension. Factors lead to the canonical unit of the dimension (the first of each list).
 * Exact bases, NIST SP 811 (2008) appendix B: 1 in = 25.4 mm, 1 lbf = 4.448 221 615 260 5 N,
 * 1 kgf = 9.806 65 N, 1 lb = 0.453 592 37 kg, 1 US gal = 231 in³, 1 UK gal = 4.546 09 l,
 * conventional millimetre of mercury 133.322 4 Pa (0 °C), inch of mercury 3.386 389 kPa, 1 torr = 101 325/760 Pa.
 * Every other factor is derived from these here, never retyped.
 */
const IN = 25.4;
const LBF = 4.4482216152605;
const KGF = 9.80665;
const LB = 0.45359237;
const PSI_PA = LBF / (IN / 1000) ** 2;
const MMHG_PA = 133.3224;
const INHG_PA = 3386.389;
const US_PINT_ML = (231 * (IN / 10) ** 3) / 8;
const UK_PINT_ML = 4546.09 / 8;
const IN3_ML = (IN / 10) ** 3;
const FT3_ML = 12 ** 3 * IN3_ML;
/** 1 torr is 1/760 of a standard atmosphere, which the conventional millimetre of mercury misses by 2 in 10⁷. */
const TORR_PA = 101325 / 760;

export interface Unit {
  /** How the unit is written by Jubb. */
  readonly symbol: string;
  /** canonical = value × factor + offset. */
  readonly factor: number;
  readonly offset?: number;
  /** Other spellings that are read, compared without case only where `alias` is spelt in words. */
  readonly aliases?: readonly string[];
}

export const dimensions = {
  torque: [
    { symbol: 'N·m', factor: 1, aliases: ['Nm', 'N m', 'N-m', 'N*m', 'N.m'] },
    { symbol: 'N·cm', factor: 0.01, aliases: ['Ncm', 'N cm', 'N-cm', 'N*cm'] },
    {
      symbol: 'ft·lbf',
      factor: (12 * IN * LBF) / 1000,
      aliases: [
        'ft-lb',
        'lb-ft',
        'lbf·ft',
        'ft·lb',
        'lb·ft',
        'ftlb',
        'lbft',
        'ft lb',
        'lb ft',
        'ft-lbf',
        'lbf-ft',
        'ft lbf',
        'lbf ft',
        'ft.lbf',
        'lbf.ft',
        'ft*lbf',
        'ft lbs',
        'ft-lbs',
      ],
    },
    {
      symbol: 'in·lbf',
      factor: (IN * LBF) / 1000,
      aliases: [
        'in-lb',
        'lb-in',
        'lbf·in',
        'in·lb',
        'lb·in',
        'inlb',
        'in lb',
        'lb in',
        'in-lbf',
        'lbf-in',
        'in lbf',
        'lbf in',
        'in.lbf',
        'in*lbf',
        'in lbs',
        'in-lbs',
      ],
    },
    { symbol: 'kgf·m', factor: KGF, aliases: ['kgfm', 'kgf m', 'kgf-m', 'kgf*m', 'kgm', 'kg·m', 'kg-m'] },
    { symbol: 'kgf·cm', factor: KGF / 100, aliases: ['kgfcm', 'kgf cm', 'kgf-cm', 'kgf*cm', 'kg·cm', 'kg-cm'] },
    {
      symbol: 'ozf·in',
      factor: (IN * LBF) / 16000,
      aliases: ['ozf-in', 'oz-in', 'oz·in', 'oz in', 'ozf in', 'in·ozf', 'in-oz'],
    },
  ],
  length: [
    { symbol: 'mm', factor: 1 },
    { symbol: 'cm', factor: 10 },
    { symbol: 'm', factor: 1000 },
    { symbol: 'km', factor: 1e6 },
    { symbol: 'µm', factor: 0.001, aliases: ['μm', 'um', 'micron', 'microns'] },
    { symbol: 'in', factor: IN, aliases: ['inch', 'inches', '"', '″'] },
    { symbol: 'ft', factor: 12 * IN, aliases: ["'", '′', 'foot', 'feet'] },
    { symbol: 'thou', factor: IN / 1000, aliases: ['mil', 'mils'] },
  ],
  area: [
    { symbol: 'mm²', factor: 1, aliases: ['mm2', 'mm^2', 'sq mm'] },
    { symbol: 'cm²', factor: 100, aliases: ['cm2', 'cm^2'] },
    { symbol: 'in²', factor: IN * IN, aliases: ['in2', 'in^2', 'sq in'] },
    { symbol: 'm²', factor: 1e6, aliases: ['m2', 'm^2'] },
  ],
  force: [
    { symbol: 'N', factor: 1 },
    { symbol: 'kN', factor: 1000 },
    { symbol: 'lbf', factor: LBF, aliases: ['lb'] },
    { symbol: 'kgf', factor: KGF, aliases: ['kg'] },
  ],
  stiffness: [
    { symbol: 'GPa', factor: 1 },
    { symbol: 'MPa', factor: 0.001, aliases: ['N/mm²', 'N/mm2'] },
    { symbol: 'ksi', factor: (PSI_PA * 1000) / 1e9 },
    { symbol: 'psi', factor: PSI_PA / 1e9 },
    { symbol: 'Pa', factor: 1e-9 },
  ],
  stress: [
    { symbol: 'MPa', factor: 1, aliases: ['N/mm²', 'N/mm2', 'N/mm^2'] },
    { symbol: 'GPa', factor: 1000 },
    { symbol: 'kPa', factor: 0.001 },
    { symbol: 'Pa', factor: 1e-6 },
    { symbol: 'psi', factor: PSI_PA / 1e6 },
    { symbol: 'ksi', factor: PSI_PA / 1000 },
  ],
  pressure: [
    { symbol: 'bar', factor: 1 },
    { symbol: 'mbar', factor: 0.001, aliases: ['hPa'] },
    { symbol: 'Pa', factor: 1e-5 },
    { symbol: 'kPa', factor: 0.01 },
    { symbol: 'MPa', factor: 10 },
    { symbol: 'psi', factor: PSI_PA / 1e5 },
    { symbol: 'inHg', factor: INHG_PA / 1e5 },
    { symbol: 'mmHg', factor: MMHG_PA / 1e5 },
    { symbol: 'torr', factor: TORR_PA / 1e5, aliases: ['Torr'] },
    { symbol: 'mTorr', factor: TORR_PA / 1e8, aliases: ['mtorr', 'millitorr'] },
    {
      symbol: 'µmHg',
      factor: MMHG_PA / 1e8,
      aliases: ['μmHg', 'umHg', 'micron', 'microns', 'micron of mercury', 'microns of mercury'],
    },
    { symbol: 'kgf/cm²', factor: KGF / 10, aliases: ['kgf/cm2', 'kgf/cm^2', 'kg/cm²', 'kg/cm2', 'kg/cm^2'] },
  ],
  temperature: [
    { symbol: '°C', factor: 1, aliases: ['degC', 'deg C', 'C', '℃'] },
    { symbol: '°F', factor: 5 / 9, offset: (-32 * 5) / 9, aliases: ['degF', 'deg F', 'F', '℉'] },
    { symbol: 'K', factor: 1, offset: -273.15 },
  ],
  temperatureDifference: [
    { symbol: 'K', factor: 1 },
    { symbol: '°C', factor: 1, aliases: ['degC', 'deg C', 'C', '℃'] },
    { symbol: '°F', factor: 5 / 9, aliases: ['degF', 'deg F', 'F', '℉'] },
  ],
  angle: [
    { symbol: 'deg', factor: 1, aliases: ['°', 'degree', 'degrees'] },
    { symbol: 'rad', factor: 180 / Math.PI },
    { symbol: 'turn', factor: 360, aliases: ['turns', 'rev'] },
  ],
  mass: [
    { symbol: 'kg', factor: 1 },
    { symbol: 'g', factor: 0.001 },
    { symbol: 'mg', factor: 1e-6 },
    { symbol: 'lb', factor: LB, aliases: ['lbs'] },
    { symbol: 'oz', factor: LB / 16 },
  ],
  massPerLength: [
    { symbol: 'g/m', factor: 1, aliases: ['g', 'g per m'] },
    { symbol: 'kg/m', factor: 1000, aliases: ['kg'] },
    { symbol: 'lb/ft', factor: (LB * 1e6) / (12 * IN), aliases: ['lb per ft'] },
    { symbol: 'oz/ft', factor: (LB * 1e6) / 16 / (12 * IN) },
  ],
  volume: [
    { symbol: 'ml', factor: 1, aliases: ['mL'] },
    { symbol: 'cm³', factor: 1, aliases: ['cm3', 'cm^3', 'cc'] },
    { symbol: 'l', factor: 1000, aliases: ['L', 'litre', 'litres', 'liter', 'liters'] },
    { symbol: 'pt US', factor: US_PINT_ML, aliases: ['US pt', 'US pint', 'pint US', 'pints US'] },
    { symbol: 'pt imp', factor: UK_PINT_ML, aliases: ['imp pt', 'imp pint', 'pint imp', 'pints imp', 'pt UK'] },
    { symbol: 'qt US', factor: 2 * US_PINT_ML, aliases: ['US qt', 'quart US'] },
    { symbol: 'qt imp', factor: 2 * UK_PINT_ML, aliases: ['imp qt', 'quart imp', 'qt UK'] },
    { symbol: 'gal US', factor: 8 * US_PINT_ML, aliases: ['US gal', 'US gallon', 'gallon US', 'gallons US'] },
    { symbol: 'gal UK', factor: 8 * UK_PINT_ML, aliases: ['UK gal', 'imp gal', 'gal imp', 'gallon UK', 'gallons UK'] },
    { symbol: 'in³', factor: IN3_ML, aliases: ['in3', 'in^3', 'cu in', 'cubic inch', 'cubic inches'] },
    { symbol: 'ft³', factor: FT3_ML, aliases: ['ft3', 'ft^3', 'cu ft', 'cubic foot', 'cubic feet'] },
    { symbol: 'm³', factor: 1e6, aliases: ['m3', 'm^3'] },
  ],
  flow: [
    { symbol: 'l/min', factor: 1, aliases: ['L/min', 'lpm'] },
    { symbol: 'cm³/min', factor: 0.001, aliases: ['cm3/min', 'cc/min', 'ml/min'] },
    { symbol: 'cfm', factor: FT3_ML / 1000, aliases: ['CFM', 'ft³/min', 'ft3/min'] },
    { symbol: 'm³/h', factor: 1000 / 60, aliases: ['m3/h', 'm^3/h', 'm3/hr'] },
    { symbol: 'gal US/min', factor: (8 * US_PINT_ML) / 1000, aliases: ['US gal/min', 'gpm US', 'US gpm'] },
    { symbol: 'gal UK/min', factor: (8 * UK_PINT_ML) / 1000, aliases: ['UK gal/min', 'gpm UK', 'UK gpm'] },
  ],
  leak: [
    { symbol: 'cm³/min', factor: 1, aliases: ['cm3/min', 'cc/min', 'ml/min'] },
    { symbol: 'l/min', factor: 1000, aliases: ['L/min', 'lpm'] },
    { symbol: 'cfm', factor: FT3_ML, aliases: ['CFM', 'ft³/min', 'ft3/min'] },
    { symbol: 'm³/h', factor: 1e6 / 60, aliases: ['m3/h', 'm^3/h', 'm3/hr'] },
  ],
  resistance: [
    { symbol: 'Ω', factor: 1, aliases: ['Ω', 'ohm', 'ohms'] },
    { symbol: 'mΩ', factor: 0.001, aliases: ['mΩ', 'mohm', 'milliohm'] },
    { symbol: 'kΩ', factor: 1000, aliases: ['kΩ', 'kohm'] },
    { symbol: 'MΩ', factor: 1e6, aliases: ['MΩ', 'Mohm', 'megohm'] },
  ],
  voltage: [
    { symbol: 'V', factor: 1 },
    { symbol: 'mV', factor: 0.001 },
    { symbol: 'kV', factor: 1000 },
  ],
  current: [
    { symbol: 'A', factor: 1 },
    { symbol: 'mA', factor: 0.001 },
  ],
  frequency: [
    { symbol: 'Hz', factor: 1 },
    { symbol: 'kHz', factor: 1000 },
    { symbol: 'MHz', factor: 1e6 },
  ],
  speed: [
    { symbol: 'rpm', factor: 1, aliases: ['r/min', 'min⁻¹', '1/min', 'min^-1', 'RPM'] },
    { symbol: 'Hz', factor: 60, aliases: ['rev/s', '1/s', 's⁻¹', 'rps'] },
  ],
  velocity: [
    { symbol: 'm/s', factor: 1 },
    { symbol: 'mm/s', factor: 0.001 },
    { symbol: 'ft/min', factor: (12 * IN) / 60000, aliases: ['fpm'] },
    { symbol: 'ft/s', factor: (12 * IN) / 1000 },
    { symbol: 'in/s', factor: IN / 1000, aliases: ['ips', 'inch/s'] },
  ],
  time: [
    { symbol: 's', factor: 1, aliases: ['sec', 'seconds', 'second'] },
    { symbol: 'min', factor: 60, aliases: ['minutes', 'minute', 'mins'] },
    { symbol: 'h', factor: 3600, aliases: ['hr', 'hour', 'hours'] },
    { symbol: 'd', factor: 86400, aliases: ['day', 'days'] },
    { symbol: 'wk', factor: 604800, aliases: ['week', 'weeks'] },
    { symbol: 'ms', factor: 0.001 },
  ],
  unbalance: [
    { symbol: 'g·mm', factor: 1, aliases: ['gmm', 'g mm', 'g-mm', 'g*mm'] },
    { symbol: 'g·cm', factor: 10, aliases: ['g cm', 'g-cm'] },
    { symbol: 'kg·mm', factor: 1000, aliases: ['kg mm', 'kg-mm'] },
    { symbol: 'oz·in', factor: (LB / 16) * 1000 * IN, aliases: ['oz-in', 'oz in', 'ozin'] },
  ],
  expansion: [
    { symbol: '1/K', factor: 1, aliases: ['/K', 'K⁻¹', 'K^-1', '1/°C', '/°C'] },
    {
      symbol: 'µm/(m·K)',
      factor: 1e-6,
      aliases: ['μm/(m·K)', 'um/(m·K)', 'um/(m K)', 'µm/m/K', 'um/m/K', 'ppm/K', 'µm/(m·°C)'],
    },
  ],
  springRate: [
    { symbol: 'N/mm', factor: 1 },
    { symbol: 'kN/mm', factor: 1000 },
    { symbol: 'N/m', factor: 0.001 },
    { symbol: 'lbf/in', factor: LBF / IN, aliases: ['lb/in'] },
  ],
  filmCoefficient: [{ symbol: 'W/(m²·K)', factor: 1, aliases: ['W/(m2·K)', 'W/m2K', 'W/m²K', 'W/(m2 K)'] }],
  ratio: [
    { symbol: '1', factor: 1 },
    { symbol: '%', factor: 0.01 },
  ],
  percent: [
    { symbol: '%', factor: 1 },
    { symbol: '1', factor: 100 },
  ],
} as const satisfies Record<string, readonly Unit[]>;

export type Dimension = keyof typeof dimensions;

export const dimensionNames = Object.keys(dimensions) as readonly Dimension[];

/** The units of a dimension as plain {@link Unit} rows, canonical unit first. */
export function unitsOf(dimension: Dimension): readonly Unit[] {
  return dimensions[dimension];
}

/** The canonical unit of a dimension: the unit in which results are given in JSON. */
export function canonicalUnit(dimension: Dimension): string {
  return dimensions[dimension][0].symbol;
}

function spelling(unit: string): string {
  return unit.trim().replace(/\s+/g, ' ').replace(/[⋅∙•]/g, '·');
}

/**
 * The unit that a text means in a dimension, or undefined.
 * Case counts (mΩ is not MΩ) except where nothing else in that dimension could be meant.
 */
export function findUnit(text: string, dimension: Dimension): Unit | undefined {
  const wanted = spelling(text);
  const units = unitsOf(dimension);
  const exact = units.find((u) => u.symbol === wanted || u.aliases?.includes(wanted));
  if (exact) return exact;
  const lower = wanted.toLowerCase();
  const loose = units.filter((u) => [u.symbol, ...(u.aliases ?? [])].some((s) => s.toLowerCase() === lower));
  return loose.length === 1 ? loose[0] : undefined;
}

/** All dimensions in which a text names a unit, in table order. */
export function dimensionsOfUnit(text: string): Dimension[] {
  return dimensionNames.filter((d) => findUnit(text, d) !== undefined);
}
