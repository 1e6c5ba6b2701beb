import {
  Controller,
  Get,
  HttpCode,
  Inject,
  Param,
  ParseUUIDPipe,
  Put,
  Req,
  Res,
} from "@nestjs/common";
import type { Request, Response } from "express";
import { Needs } from "../people/access.ts";
import { PhotosService } from "./photos.service.ts";

@Controller("api/jobs/:jobId/photos")
export class PhotosController {
  constructor(@Inject(PhotosService) private readonly photos: PhotosService) {}

  @Needs("installer")
  @Put(":id")
  @HttpCode(204)
  keep(
    @Param("jobId", ParseUUIDPipe) jobId: string,
    @Param("id") id: string,
    @Req() req: Request,
  ): Promise<void> {
    return this.photos.keep(jobId, id, req.body);
  }

  @Get(":id")
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
