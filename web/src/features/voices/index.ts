export { foundVoices, pitchWord, type Voice } from "./finding";
export { MatchPage } from "./MatchPage";
export { melodyPath } from "./melodyPath";
export { placedWords, widthOf } from "./placedWords";
export { auditionAddress, useVoices } from "./useVoices";
export { VoicesPage } from "./VoicesPage";
