import { Controller, Get, Inject, Injectable, Module, type INestApplication } from "@nestjs/common";
import { ApiExcludeController } from "@nestjs/swagger";
import { RequireRole } from "../people/access.ts";

/** The application that is described; it is there once it has been put together. */
@Injectable()
export class Described {
  private made: Promise<object> | null = null;
  private app: INestApplication | null = null;

  is(app: INestApplication): void {
    this.app = app;
  }

  /** Made when it is first asked for: a start has better things to do. */
  document(): Promise<object> {
    const { app } = this;
    if (!app) throw new Error("nothing is put together yet");
    this.made ??= import("./apiDocument.ts").then(({ apiDocument }) => apiDocument(app));
    return this.made;
  }
}

/** The API's own description, for owners who connect something of theirs. */
@ApiExcludeController()
@RequireRole("owner")
@Controller("api/docs")
class DocsController {
  constructor(@Inject(Described) private readonly described: Described) {}

  @Get()
  read(): Promise<object> {
    return this.described.document();
  }
}

@Module({ controllers: [DocsController], providers: [Described] })
export class DocsModule {}
