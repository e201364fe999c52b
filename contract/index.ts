export * from './common';
export * from './knots';
export * from './people';
export * from './records';
export { ENDPOINTS, type Endpoint, type EndpointName } from './endpoints';
