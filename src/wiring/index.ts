export { migrate, QUEUES } from "@/data";
export { attributeAll } from "./attribute-all";
export { cleanProduction } from "./clean-production";
export { placeDemoFeeds } from "./demo-feeds";
export { type House, house, openHouse } from "./house";
export { finishDemo, isDemoInTheMaking } from "./load-demo";
export { log } from "./log";
export { type Readiness, readinessOf } from "./readiness";
export { openServices, type Services } from "./services";
