import { Controller, Get, Inject, Param, ParseUUIDPipe, Query, Res } from "@nestjs/common";
import { ApiQuery } from "@nestjs/swagger";
import type { Response } from "express";
import {
  PAPERS,
  cutListOf,
  drawingSvg,
  mirrored,
  patternOf,
  synthesise,
  templateDrawing,
  type Drawing,
} from "@dragonet/core";
import { drawingDxf } from "@dragonet/template";
import { AnswersFile } from "../docs/answers.ts";
import { sendFile } from "../http/download.ts";
import { notFound, notValid } from "../http/refusal.ts";
import { isPaper } from "./paper.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { WorkPool } from "../work/pool.ts";

/** Paper for the lift: drilling templates at 1:1, and flags for the wires. */
@Controller("api/jobs/:id")
export class TemplatesController {
  constructor(
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(WorkPool) private readonly pool: WorkPool,
  ) {}

  private async drawing(id: string, templateId: string, mirror: string): Promise<Drawing> {
    const { document } = await this.jobs.read(id);
    const template = document.templates.find((t) => t.id === templateId);
    if (!template) throw notFound("template", templateId);
    const pattern = patternOf(document, template);
    const other = mirror === "1";
    return templateDrawing(
      other ? mirrored(pattern) : pattern,
      `${template.name}${other ? ", mirrored" : ""}`,
    );
  }

  @Get("templates/:templateId.pdf")
  @ApiQuery({ name: "mirror", enum: ["0", "1"], required: false })
  @ApiQuery({ name: "paper", enum: Object.keys(PAPERS), required: false })
  @AnswersFile("A drilling template at 1:1", "application/pdf")
  async pdf(
    @Param("id", ParseUUIDPipe) id: string,
    @Param("templateId") templateId: string,
    @Query("mirror") mirror = "0",
    @Query("paper") paper = "a4",
    @Res() res: Response,
  ): Promise<void> {
    if (!isPaper(paper)) {
      throw notValid(`invalid paper: "${paper}" (one of ${Object.keys(PAPERS).join(", ")})`);
    }
    const drawing = await this.drawing(id, templateId, mirror);
    const pdf = await this.pool.run<"template">({ kind: "template", drawing, paper });
    sendFile(res, `${drawing.title}.pdf`, "application/pdf", pdf, "inline");
  }

  @Get("templates/:templateId.svg")
  @ApiQuery({ name: "mirror", enum: ["0", "1"], required: false })
  @AnswersFile("A drilling template", "image/svg+xml")
  async svg(
    @Param("id", ParseUUIDPipe) id: string,
    @Param("templateId") templateId: string,
    @Query("mirror") mirror = "0",
    @Res() res: Response,
  ): Promise<void> {
    const drawing = await this.drawing(id, templateId, mirror);
    sendFile(res, `${drawing.title}.svg`, "image/svg+xml", drawingSvg(drawing));
  }

  @Get("templates/:templateId.dxf")
  @ApiQuery({ name: "mirror", enum: ["0", "1"], required: false })
  @AnswersFile("A drilling template for a cutter", "image/vnd.dxf")
  async dxf(
    @Param("id", ParseUUIDPipe) id: string,
    @Param("templateId") templateId: string,
    @Query("mirror") mirror = "0",
    @Res() res: Response,
  ): Promise<void> {
    const drawing = await this.drawing(id, templateId, mirror);
    sendFile(res, `${drawing.title}.dxf`, "image/vnd.dxf", drawingDxf(drawing));
  }

  @Get("labels.pdf")
  @AnswersFile("Flags for the wires", "application/pdf")
  async labels(@Param("id", ParseUUIDPipe) id: string, @Res() res: Response): Promise<void> {
    const { document } = await this.jobs.read(id);
    const list = cutListOf(document, synthesise(document));
    const pdf = await this.pool.run<"labels">({ kind: "labels", list, title: document.card.title });
    sendFile(res, `${document.card.title} labels.pdf`, "application/pdf", pdf, "inline");
  }
}
