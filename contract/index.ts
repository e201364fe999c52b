export * from './common';
export * from './inspect';
export * from './knots';
export * from './people';
export * from './records';
export * from './roles';
export { ENDPOINTS, type Endpoint, type EndpointName } from './endpoints';
