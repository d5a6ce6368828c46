export { AboutPage } from "./AboutPage";
