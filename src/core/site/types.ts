// Longer than a file should be, on purpose: the vocabulary of a site, read as one list.
import type { EfficiencyPoint, KingInverter } from "../inverter";
import type { DecompositionModel, TranspositionModel } from "../irradiance";
import type { CellTemperatureModel, EstimatedField, Mounting, PowerMatrix, ReflectionModel } from "../module";
import type { Assumption } from "./assumption";
import type { LightSource } from "./light-source";
import type { Battery, ChargeController } from "./off-grid";

export interface Place {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly elevationM: number;
  readonly timeZone: string;
  /** Coldest air on record, and the hottest day's air, for string voltages; null where not known. */
  readonly recordLowC: number | null;
  readonly recordHighC: number | null;
}

export interface ModuleType {
  readonly pmpW: number;
  readonly vocV: number | null;
  readonly iscA: number | null;
  readonly vmpV: number | null;
  readonly impA: number | null;
  readonly cellsInSeries: number | null;
  readonly bypassDiodes: number;
  /** Relative change of maximum power a kelvin; negative. */
  readonly gammaPmpPerK: number;
  readonly betaVocPerK: number;
  readonly alphaIscPerK: number;
  readonly noctC: number;
  readonly areaM2: number | null;
  /** Voltage against earth that its insulation bears, V, by its nameplate. */
  readonly maxSystemV: number | null;
  readonly bifacialityFrac: number;
  /** Share of its efficiency lost at 200 W/m2, by its datasheet; null: told from its circuit, else usual. */
  readonly lowLightLossFrac: number | null;
  /** Power measured over light and cell temperature; null where it was not. */
  readonly powerMatrix: PowerMatrix | null;
  /** Which of these nobody gave: they were estimated from the others. */
  readonly estimated: readonly EstimatedField[];
}

/** From horizontal, and clockwise from true north. */
export interface LightPlane {
  readonly tiltDeg: number;
  readonly azimuthDeg: number;
}

/** From a day of the year ("03-20") on, the rack stands at this tilt. */
export interface TiltChange {
  readonly from: string;
  readonly tiltDeg: number;
}

export interface PvArray {
  readonly id: string;
  readonly name: string;
  readonly module: string;
  readonly count: number;
  readonly modulesPerString: number | null;
  /** From horizontal, 0 to 90. */
  readonly tiltDeg: number;
  /** Clockwise from true north, 0 <= a < 360. */
  readonly azimuthDeg: number;
  readonly mounting: Mounting;
  readonly tiltSchedule: readonly TiltChange[];
  /** Rows of modules up the slope; null: told from the strings. */
  readonly rows: number | null;
  readonly orientation: "portrait" | "landscape";
  /** Middle of the array in the site's plan, from a point of the owner's choice; null: beside the array before it. */
  readonly eastM: number | null;
  readonly northM: number | null;
  /** Lower edge above the ground. */
  readonly baseHeightM: number;
  /** From one row to the next like it, m; null: told from the usual spacing. Light on the rear depends on it. */
  readonly rowPitchM: number | null;
  /** What a shaded cell does to its string; null: told from the inverter and the modules. */
  readonly shadeRule: ShadeRule | null;
  /** Null: the site's. */
  readonly horizon: readonly HorizonPoint[];
  /** Seen from the middle of this array, and shading it alone. */
  readonly obstacles: readonly Obstacle[];
  /** Names of its modules as they lie: rows from the upper edge, columns from the left of who stands before it, "" for a free place; empty: in natural order. */
  readonly moduleIds: readonly (readonly string[])[];
  readonly rack: Rack | null;
}

export interface HorizonPoint {
  readonly azimuthDeg: number;
  readonly elevationDeg: number;
}

/** Power follows the light of each module; each bypassed part of a string falls out; or the worst module holds its string down. */
export type ShadeRule = "module-level" | "bypass-diodes" | "worst-module";

export type ObstacleKind = "tree" | "pole" | "wall" | "building" | "row" | "box";

export interface ObstacleShape {
  readonly kind: ObstacleKind;
  readonly name: string;
  /** Top above the ground. */
  readonly heightM: number;
  readonly widthM: number;
  /** Away from its broad side; null: the kind's usual. */
  readonly depthM: number | null;
  /** Where its broad side looks; null: to the array, or north where it stands in the plan. */
  readonly facingDeg: number | null;
  /** Clear height under it, such as a tree's trunk; null: the kind's usual. */
  readonly baseM: number | null;
  /** Share of the light that passes, January first; null lets nothing through, for a tree next to nothing. */
  readonly lightThroughMonthlyFrac: readonly number[] | null;
}

export interface Obstacle extends ObstacleShape {
  readonly azimuthDeg: number;
  readonly distanceM: number;
}

/** An obstacle in the site's plan, which shades every array. */
export interface SiteObstacle extends ObstacleShape {
  readonly id: string;
  readonly eastM: number;
  readonly northM: number;
}

/** A frame hinged at its lower edge and held up by a leg. */
export interface Rack {
  /** From the hinge along the frame to where the leg holds it. */
  readonly frameM: number;
  /** From the hinge along the base to the leg's foot. */
  readonly baseM: number;
}

/** The rating holds up to a temperature at the device, C, and falls from there by a share a kelvin. */
export interface HeatDerating {
  readonly fromC: number;
  readonly perKFrac: number;
  /** How much warmer than the air it is where the device hangs: 0 in the shade, some 10 on a sunny wall or under a roof. */
  readonly overAirK: number;
}

export interface Inverter {
  readonly id: string;
  readonly arrays: readonly string[];
  readonly acRatedW: number;
  readonly ratedEfficiencyFrac: number;
  /** One inverter a module, each held at `acRatedW`. */
  readonly perModule: boolean;
  readonly exportLimitW: number | null;
  /** Most voltage that its input bears, and the window in which it finds the maximum power; null where not known. */
  readonly maxDcV: number | null;
  readonly mpptMinV: number | null;
  readonly mpptMaxV: number | null;
  /** Most current of one input, A, and how many inputs there are. */
  readonly inputMaxA: number | null;
  readonly inputs: number | null;
  /** Most DC power that one array's input takes, W; null where no such limit is known. */
  readonly dcInputLimitW: number | null;
  /** What its rating loses in the heat; null where no such curve is known. */
  readonly heatDerating: HeatDerating | null;
  /** Drawn by each device while there is no light, W. */
  readonly nightDrawW: number;
  /** Measured efficiency by load, rising; null for the usual curve through the rated efficiency. */
  readonly efficiencyCurve: readonly EfficiencyPoint[] | null;
  /** Measured coefficients, for the King model. */
  readonly king: KingInverter | null;
}

export type MeteringPoint = "dc" | "ac" | "net" | "export" | "import";

export interface Meter {
  readonly id: string;
  readonly point: MeteringPoint;
  readonly arrays: readonly string[];
}

export interface FixedLosses {
  readonly mismatchFrac: number;
  readonly dcWiringFrac: number;
  readonly acWiringFrac: number;
  readonly soilingFrac: number;
  readonly availabilityFrac: number;
  readonly transformerFrac: number;
  /** Drawn by the transformer day and night, W. */
  readonly transformerNoLoadW: number;
  /** By month, January first, in place of the fixed share; null where the year is one. */
  readonly soilingMonthlyFrac: readonly number[] | null;
  /** By month, January first, for the monthly snow model. */
  readonly snowMonthlyFrac: readonly number[] | null;
}

/** Dirt that builds up day by day until rain or a cleaning takes it off. */
export interface SoilingTerms {
  readonly ratePerDayFrac: number;
  /** A day with this much rain, mm, cleans. */
  readonly cleaningRainMm: number;
  /** Days after such a rain on which nothing settles. */
  readonly graceDays: number;
  readonly maxFrac: number;
}

/** Which published method each stage of the chain uses. */
export interface ModelChoices {
  readonly decomposition: DecompositionModel;
  readonly transposition: TranspositionModel;
  readonly reflection: ReflectionModel;
  readonly cellTemperature: CellTemperatureModel;
  readonly power: "coefficient" | "single-diode";
  readonly soiling: "fixed" | "build-up";
  readonly shading: "by-array" | ShadeRule | "none";
  readonly snow: "none" | "sliding" | "monthly";
  readonly inverter: "part-load" | "constant" | "king";
  /** What becomes of peaks inside a coarse step that its mean hides. */
  readonly subHourlyClipping: "corrected" | "ignored";
}

export interface AgeingTerms {
  readonly firstYearFrac: number;
  readonly perYearFrac: number;
}

/** What is guaranteed of the rating: a first year and a line, or levels that hold until an age. */
export interface Warranty extends AgeingTerms {
  readonly years: number;
  /** Rising in years; where there are any they stand in place of the line. */
  readonly steps: readonly { readonly untilYears: number; readonly frac: number }[];
  /** Share by which the guaranteed rating may lie under the nameplate. */
  readonly toleranceFrac: number;
}

/** A sum of money as a decimal numeral, on a date. */
export interface DatedSum {
  readonly on: string;
  readonly amount: string;
  readonly what: string;
}

export interface Tariff {
  /** Price of bought energy, currency a kWh, as a decimal numeral; null when not known. */
  readonly importPerKwh: string | null;
  readonly exportPerKwh: string | null;
  readonly priceRisePerYearFrac: number;
  /** Rise of the export price a year; none for a fixed rate. */
  readonly exportRisePerYearFrac: number;
  /** Day on which the export price ends; null where it does not. */
  readonly exportUntil: string | null;
  /** What is paid for exported energy after it; null: nothing. */
  readonly exportThenPerKwh: string | null;
  /** Share of production used on the spot; the rest is exported. Null where nobody told it. */
  readonly selfUsedFrac: number | null;
}

/** What comes every year and once in a while, and how money is weighed. Sums are decimal numerals. */
export interface RunningTerms {
  readonly perYear: readonly { readonly what: string; readonly amount: string; readonly risePerYearFrac: number }[];
  readonly later: readonly { readonly what: string; readonly afterYears: number; readonly amount: string }[];
  readonly scrap: string;
  readonly discountFrac: number;
  readonly interestTaxFrac: number;
  readonly horizonYears: number;
}

export interface MoneyTerms {
  readonly costs: readonly DatedSum[];
  readonly incentives: readonly DatedSum[];
  readonly tariff: Tariff;
  readonly running: RunningTerms;
}

/** What stands from a date on, merged over what stood before. */
export interface Revision {
  readonly from: string;
  readonly note: string;
  readonly change: Readonly<Record<string, unknown>>;
}

export interface Site {
  readonly name: string;
  /** ISO 4217. */
  readonly currency: string;
  /** ISO date; null when not known, and then nothing ages. */
  readonly commissioned: string | null;
  readonly place: Place;
  /** What nobody said when the book was opened, and something usual was taken for. */
  readonly assumed: readonly Assumption[];
  readonly lightSource: LightSource;
  /** Plane in which a light sensor lies; null: with the modules, or with the largest array where they look several ways. */
  readonly lightPlane: LightPlane | null;
  /** Most that the whole site may feed in, W; null where nothing limits it. */
  readonly exportLimitW: number | null;
  readonly albedo: number;
  /** By month, January first, in place of `albedo`; null where the year is one. */
  readonly albedoMonthly: readonly number[] | null;
  readonly modules: Readonly<Record<string, ModuleType>>;
  readonly arrays: readonly PvArray[];
  /** For arrays without one of their own. */
  readonly horizon: readonly HorizonPoint[];
  readonly obstacles: readonly SiteObstacle[];
  readonly inverters: readonly Inverter[];
  /** Off the grid, in place of an inverter or before one; null where there is none. */
  readonly chargeController: ChargeController | null;
  readonly battery: Battery | null;
  readonly meters: readonly Meter[];
  readonly losses: FixedLosses;
  readonly soiling: SoilingTerms;
  readonly ageing: AgeingTerms;
  readonly warranty: Warranty | null;
  /** January first; spread where a year's total alone was promised, and its months are the model's. */
  readonly promise: { readonly monthlyKwh: readonly number[]; readonly isSpread: boolean } | null;
  readonly money: MoneyTerms;
  readonly models: ModelChoices;
  readonly revisions: readonly Revision[];
}
