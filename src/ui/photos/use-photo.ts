"use client";
import { errorWords } from "@/core/words/error-words";
import { t } from "@/core/words/words";
import { useEffect, useState } from "react";
import { loadPhoto } from "@/store/captures";
import { toast } from "../keys/toast";

/** The address of a kept photo; null while it is not there. */
export function usePhoto(photoId: string): string | null {
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    let made: string | null = null;
    let live = true;
    loadPhoto(photoId).then(
      (photo) => {
        if (!photo || !live) return;
        made = URL.createObjectURL(photo);
        setAddress(made);
      },
      (error: unknown) => toast.error(t`A photo could not be read: ${errorWords(error)}`),
    );
    return () => {
      live = false;
      setAddress(null);
      if (made) URL.revokeObjectURL(made);
    };
  }, [photoId]);
  return address;
}
