export { DeliveriesPage } from "./DeliveriesPage";
