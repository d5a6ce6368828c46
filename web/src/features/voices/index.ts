export { MatchPage } from "./MatchPage";
export { VoicesPage } from "./VoicesPage";
