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
export { type PagedSeries, place } from "./pages";
export { kindOfHeader, readSeries, type SeriesFile, type SeriesOptions } from "./read-series";
export { readTime, type WrittenTime } from "./timestamp";
