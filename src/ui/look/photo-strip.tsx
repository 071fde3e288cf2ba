"use client";
import { errorWords } from "@/core/words/error-words";
import { t } from "@/core/words/words";
import { nanoid } from "nanoid";
import type { Entry, Job } from "@/core/job/schema";
import { savePhoto } from "@/store/captures";
import { stamp } from "../jobs/entries";
import { FileCap } from "../keys/file-cap";
import { scaledPhoto } from "../photos/scaled-photo";
import { usePhoto } from "../photos/use-photo";
import { toast } from "../keys/toast";

/** Photos kept with the job, scaled down before they are stored. */
export function PhotoStrip({
  job,
  look,
  onAdd,
}: {
  job: Job;
  look: string | undefined;
  onAdd: (entry: Entry) => void;
}) {
  const photos = job.entries.flatMap((entry) => (entry.kind === "photo" ? [entry] : []));
  const add = async (file: File) => {
    const scaled = await scaledPhoto(file);
    if (!scaled.ok) return toast.error(scaled.say);
    const photoId = nanoid(10);
    await savePhoto(photoId, scaled.photo);
    onAdd({
      ...stamp(),
      kind: "photo",
      photoId,
      name: file.name,
      ...(look ? { look } : {}),
    });
  };
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      <FileCap
        label={t`Photo`}
        accept="image/*"
        capture="environment"
        onFile={(file) =>
          void add(file).catch((error: unknown) => toast.error(t`The photo was not kept: ${errorWords(error)}`))
        }
      >{t`add a photo`}</FileCap>
      {photos.map(({ id, photoId, name }) => (
        <Thumbnail key={id} photoId={photoId} name={name} />
      ))}
    </div>
  );
}

function Thumbnail({ photoId, name }: { photoId: string; name: string }) {
  const address = usePhoto(photoId);
  if (!address) return <span className="text-sm text-muted">{name}</span>;
  return <img src={address} alt={name} className="h-20 rounded-lg border border-rule object-cover" />;
}
