export * from './common';
export * from './inspect';
export * from './knots';
export * from './people';
export * from './records';
export * from './roles';
export * from './ropes';
export * from './rounds';
export { ENDPOINTS, type Endpoint, type EndpointName } from './endpoints';
