export { clipW, constantEfficiencyW } from "./inverter";
