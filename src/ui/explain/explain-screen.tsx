"use client";
import { t } from "@/core/words/words";
import dynamic from "next/dynamic";
import { PlainHeader } from "../keys/plain-header";

const Lessons = dynamic(() => import("./lessons").then((module) => module.Lessons), {
  ssr: false,
  loading: () => <p className="p-16 text-center text-muted">{t`Setting up the corner…`}</p>,
});

/** The corner under one's own hand: move a slider and see meter, trace and module answer. */
export function ExplainScreen() {
  return (
    <>
      <PlainHeader title={t`Explain`} />
      <Lessons />
    </>
  );
}
