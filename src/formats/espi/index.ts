export { looksLikeEspi, readEspi } from "./read-espi";
export { readEspiBills } from "./read-espi-bills";
