import { Controller, Get, Inject, Param, ParseUUIDPipe, Put, Req, Res } from "@nestjs/common";
import type { Request, Response } from "express";
import { AnswersFile, AnswersNothing, TakesFile } from "../docs/answers.ts";
import { RequireRole } from "../people/access.ts";
import { PhotosService } from "./photos.service.ts";

@Controller("api/jobs/:jobId/photos")
export class PhotosController {
  constructor(@Inject(PhotosService) private readonly photos: PhotosService) {}

  @RequireRole("installer")
  @Put(":id")
  @TakesFile("image/*")
  @AnswersNothing("Keeps a picture")
  keep(
    @Param("jobId", ParseUUIDPipe) jobId: string,
    @Param("id") id: string,
    @Req() req: Request,
  ): Promise<void> {
    return this.photos.keep(jobId, id, req.body);
  }

  @Get(":id")
  @AnswersFile("A picture", "image/jpeg")
  async read(
    @Param("jobId", ParseUUIDPipe) jobId: string,
    @Param("id") id: string,
    @Res() res: Response,
  ): Promise<void> {
    const bytes = await this.photos.read(jobId, id);
    // A picture never changes under its id.
    res.set("cache-control", "private, max-age=31536000, immutable").type("jpeg").send(bytes);
  }
}
