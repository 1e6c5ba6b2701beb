/** The metadata store of class-transformer, which its own types leave out. */
declare module "class-transformer/cjs/storage.js" {
  import type { TypeMetadata } from "class-transformer";

  export const defaultMetadataStorage: {
    findTypeMetadata(target: unknown, property: string): TypeMetadata | undefined;
  };
}
