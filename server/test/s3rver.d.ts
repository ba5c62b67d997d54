declare module 's3rver' {
  import type { AddressInfo } from 'node:net';

  interface Options {
    readonly port: number;
    readonly address: string;
    readonly silent: boolean;
    readonly directory: string;
    readonly configureBuckets: readonly { readonly name: string; readonly configs: readonly string[] }[];
  }

  export default class S3rver {
    constructor(options: Options);
    run(callback: (error: Error | null, address: AddressInfo) => void): void;
    close(): Promise<void>;
  }
}
