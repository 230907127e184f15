export { dayOfNeighbours, moduleOf, modulesOf, neighboursOf, type ReadingsOfModules } from "./neighbours";
