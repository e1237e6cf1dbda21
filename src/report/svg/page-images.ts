import type { PagePicture } from "../../core/scene/page-picture.ts";
import { type Xml, xml } from "../xml.ts";

/** What a page looks like between two heights, where it stands in the page. */
export const imagesOf = ({ pieces, width }: PagePicture, from: number, to: number): readonly Xml[] =>
  pieces
    .filter(({ top, height }) => top < to && top + height > from)
    .map(({ top, height, png }) =>
      xml("image", { y: top, width, height, href: `data:image/png;base64,${png}` }),
    );
