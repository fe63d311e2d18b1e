/** What other features may use of this one. */
export { graphOf, nodeOf, readinessIn, type BuildNode } from './graph.service.ts';
export { tasksByBuild } from './tasks.queries.ts';
