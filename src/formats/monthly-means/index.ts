export { isMeansHeader, type MeansFile, readMeans } from "./read-means";
