export { HostsPage } from "./HostsPage";
export { WorkshopPage } from "./WorkshopPage";
