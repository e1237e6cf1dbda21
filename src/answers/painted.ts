export { painted } from "../browser/drawn-picture.ts";
