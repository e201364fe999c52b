declare module 'autocannon' {
  export interface Result {
    readonly requests: { readonly average: number };
    readonly latency: { readonly p97_5: number };
    readonly non2xx: number;
  }
  export default function autocannon(options: {
    url: string;
    connections: number;
    duration: number;
    headers: Record<string, string>;
  }): Promise<Result>;
}
