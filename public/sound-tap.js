/** Hands on what a sound input records, some hundredths of a second at a time. */
const BLOCK = 1024;
/** A device that has just been opened hands out exact zeros before its first sample: not a recording, for this long at most. */
const WAKING_S = 2;

class SoundTap extends AudioWorkletProcessor {
  constructor() {
    super();
    this.held = [];
    this.filled = 0;
    this.waking = true;
  }

  process([input]) {
    if (!input || input.length === 0) return true;
    this.waking &&= currentTime < WAKING_S && input.every((samples) => samples.every((sample) => sample === 0));
    if (this.waking) return true;
    if (this.held.length !== input.length) {
      this.held = input.map(() => new Float32Array(BLOCK));
      this.filled = 0;
    }
    input.forEach((samples, channel) => this.held[channel].set(samples, this.filled));
    this.filled += input[0].length;
    if (this.filled >= BLOCK) {
      this.port.postMessage(this.held, this.held.map(({ buffer }) => buffer));
      this.held = input.map(() => new Float32Array(BLOCK));
      this.filled = 0;
    }
    return true;
  }
}

registerProcessor("sound-tap", SoundTap);
