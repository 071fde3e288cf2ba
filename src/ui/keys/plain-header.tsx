"use client";
import { t } from "@/core/words/words";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useHotkeys } from "react-hotkeys-hook";
import { useEarlyKeys } from "./early-keys";

/** The header of screens that belong to no job. */
export function PlainHeader({ title }: { title: string }) {
  const router = useRouter();
  useHotkeys("j", () => router.push("/"));
  useEarlyKeys();
  return (
    <header className="flex items-center gap-4 border-b border-rule px-4 py-2">
      <Link href="/" className="text-lg font-bold tracking-tight">
        tastatura
      </Link>
      <h1 className="font-semibold">{title}</h1>
      <Link href="/" className="cap ml-auto">
        <span className="legend" aria-hidden="true">
          J
        </span>
        <span>{t`Jobs`}</span>
      </Link>
    </header>
  );
}
