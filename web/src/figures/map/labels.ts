import { useQuery } from "@tanstack/react-query";

/** The areas of a plate as a picture: the value of a pixel names its area; as it prints. */
export type Labels = { width: number; height: number; of: Uint8Array };

/** Read a picture of areas. */
export async function readLabels(file: Blob): Promise<Labels> {
  const picture = await createImageBitmap(file);
  const { width, height } = picture;
  const canvas = document.createElement("canvas");
  Object.assign(canvas, { width, height });
  const pen = canvas.getContext("2d", { willReadFrequently: true });
  if (!pen) throw new Error("no canvas");
  pen.drawImage(picture, 0, 0);
  const { data } = pen.getImageData(0, 0, width, height);
  const of = new Uint8Array(width * height);
  for (let i = 0; i < of.length; i++) of[i] = data[4 * i] as number;
  return { width, height, of };
}

/** The areas at an address; undefined until they are here. */
export const useLabels = (url: string) =>
  useQuery({
    queryKey: ["labels", url],
    queryFn: async () => {
      const reply = await fetch(url);
      if (!reply.ok) throw new Error("The map did not load.");
      return readLabels(await reply.blob());
    },
    enabled: url !== "",
    staleTime: Number.POSITIVE_INFINITY,
  });
