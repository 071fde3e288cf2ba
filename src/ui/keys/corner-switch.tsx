"use client";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { addressOf } from "@/core/job/corner-address";
import { cornersInWork, withCorner } from "@/core/job/corner-in-work";
import { corners, type Corner } from "@/core/units/corner";
import { t } from "@/core/words/words";
import { useOpenCar } from "../jobs/open-job";
import { CarMark } from "./car-mark";

const CornersPanel = dynamic(() => import("./corners-panel").then((module) => module.CornersPanel), { ssr: false });

/** The four-dot mark as a switch: shift and a number, or a tap, goes to another corner of the car in the same room. */
export function CornerSwitch({ here }: { here: string }) {
  const open = useOpenCar();
  const router = useRouter();
  const [shown, setShown] = useState(false);
  const goTo = (corner: Corner) => {
    if (!open) return;
    setShown(false);
    if (!cornersInWork(open.car).includes(corner)) open.changeCar((car) => withCorner(car, corner));
    if (corner !== open.corner) router.push(`${here}?job=${addressOf(open.car, corner)}`);
  };
  useHotkeys("shift+1,shift+2,shift+3,shift+4", (_, { keys }) => {
    const corner = corners[Number(keys?.join("")) - 1];
    if (corner && open && cornersInWork(open.car).includes(corner)) goTo(corner);
    else setShown(true);
  });
  if (!open) return null;
  return (
    <>
      <button
        type="button"
        className="min-h-11 rounded-lg border border-rule px-2"
        aria-haspopup="dialog"
        title={t`Corners of this car (shift and 1 to 4)`}
        onClick={() => setShown(true)}
      >
        <CarMark corner={open.corner} inWork={cornersInWork(open.car)} />
      </button>
      {shown && <CornersPanel open={open} onGo={goTo} onClose={() => setShown(false)} />}
    </>
  );
}
