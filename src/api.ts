export { type AuditAnswer, type AuditRequest, audit, type FindingAnswer } from "./answers/audit.ts";
export { catalogue } from "./core/checks/catalogue.ts";
export type { Check } from "./core/checks/check.ts";
export { nodeHost } from "./host/node.ts";
export { type AuditDocument, auditSchema } from "./report/json/audit-schema.ts";
export { contrastSchema, paletteSchema } from "./report/json/contrast-schema.ts";
export { hearSchema } from "./report/json/hear-schema.ts";
export { inspectionSchema } from "./report/json/inspection-schema.ts";
export { treeSchema } from "./report/json/tree-schema.ts";
