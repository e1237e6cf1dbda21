import { afterAll } from "vitest";
import { removeFolders } from "./cli/run-keel.ts";

afterAll(removeFolders);
