export { PromptBookPage } from "./PromptBookPage";
