export { loadDemo } from "./load-demo";
export { openServices, type Services, services } from "./services";
