export { clockOffset } from "./clock";
export {
  kindOf,
  productionQuantities,
  type Quantity,
  type SeriesColumn,
  type SeriesKind,
  type WeatherQuantity,
  weatherQuantities,
} from "./columns";
export { doubtfulValues } from "./doubtful-values";
export { moduleOfFile, mostOfModuleKwh } from "./one-module";
export { type PagedSeries, place } from "./pages";
export { kindOfHeader, readSeries } from "./read-series";
export type { CounterReading, EnergySpan, SeriesFile, SeriesOptions, SparseReadings } from "./series-file";
export { readTime, type WrittenTime } from "./timestamp";
