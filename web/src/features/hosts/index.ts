export { EVERYBODY, foundHosts } from "./finding";
export { HostsPage } from "./HostsPage";
export { type Host, useHosts } from "./useHosts";
export { WorkshopPage } from "./WorkshopPage";
