import geomagnetism from "geomagnetism";

/** Magnetic north at a place and time: east of true north positive, degrees, and the model that says so. */
export interface Declination {
  readonly declinationDeg: number;
  readonly model: string;
  /** The date lies outside the years the model is made for. */
  readonly outdated: boolean;
}

/** Source: World Magnetic Model (NOAA/NCEI and British Geological Survey, 2015, 2020, 2025), by spherical harmonics of degree 12. */
export function magneticDeclination(place: { latitudeDeg: number; longitudeDeg: number }, utcMs: number): Declination {
  const model = geomagnetism.model(new Date(utcMs), { allowOutOfBoundsModel: true });
  const { decl } = model.point([place.latitudeDeg, place.longitudeDeg]);
  const outdated = utcMs < model.start_date.getTime() || utcMs > model.end_date.getTime();
  return { declinationDeg: decl, model: model.name, outdated };
}

const turn = (angleDeg: number): number => ((angleDeg % 360) + 360) % 360;

export const trueOfMagneticDeg = (magneticDeg: number, declinationDeg: number): number => turn(magneticDeg + declinationDeg);
export const magneticOfTrueDeg = (trueDeg: number, declinationDeg: number): number => turn(trueDeg - declinationDeg);
