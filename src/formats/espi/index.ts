export { looksLikeEspi, readEspi } from "./read-espi";
