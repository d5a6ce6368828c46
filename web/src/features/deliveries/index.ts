export { DeliveriesPage } from "./DeliveriesPage";
export { DeliveryRow } from "./DeliveryRow";
export { type Delivery, useDeliveries, useOrderDelivery } from "./useDeliveries";
