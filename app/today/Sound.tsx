import { useEffect, useState } from "react";
import { isSoundOn, ring, setSound } from "../desk/sound.ts";
import { Button } from "../ui/Button.tsx";

/** Turns on the sound with which this browser says that another car needs a hand; turned on, it is heard once. */
export function Sound() {
  const [isOn, setOn] = useState(false);
  useEffect(() => setOn(isSoundOn()), []);
  return (
    <Button
      aria-pressed={isOn}
      onClick={() => {
        setSound(!isOn);
        setOn(!isOn);
        if (!isOn) ring();
      }}
    >
      {isOn ? "Sound is on: turn it off" : "Ring when a car needs me"}
    </Button>
  );
}
