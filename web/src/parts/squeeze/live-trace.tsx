import { useEffect, useRef, type ReactElement } from 'react';

/** Samples as they come: kept outside React, since they come eighty times a second. */
export class LiveSamples {
  readonly times: number[] = [];
  readonly forces: number[] = [];

  add(seconds: number, force: number): void {
    this.times.push(seconds);
    this.forces.push(force);
  }

  clear(): void {
    this.times.length = 0;
    this.forces.length = 0;
  }

  get last(): number {
    return this.forces.at(-1) ?? 0;
  }

  get peak(): number {
    let most = 0;
    for (const force of this.forces) if (force > most) most = force;
    return most;
  }
}

/** s in the window of the drawing. */
const WINDOW = 8;
/** As much as a phone held across leaves for it. */
const HEIGHT = 'h-[clamp(4.5rem,20dvh,12.5rem)]';

/** The trace as it is squeezed, drawn once a frame of the screen. */
export function LiveTrace({ samples, max }: { samples: LiveSamples; max: number }): ReactElement {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current!;
    const pen = element.getContext('2d')!;
    const style = getComputedStyle(element);
    const colour = (name: string): string => style.getPropertyValue(name).trim();
    let frame = 0;
    let drawn = 0;
    const draw = (): void => {
      const { clientWidth: width, clientHeight: height } = element;
      if (element.width !== width * devicePixelRatio || element.height !== height * devicePixelRatio) {
        element.width = width * devicePixelRatio;
        element.height = height * devicePixelRatio;
      }
      pen.setTransform(devicePixelRatio, 0, 0, devicePixelRatio, 0, 0);
      pen.clearRect(0, 0, width, height);
      const { times, forces } = samples;
      const top = Math.min(max, Math.max(20, samples.peak * 1.15));
      const end = Math.max(WINDOW, times.at(-1) ?? 0);
      const x = (seconds: number): number => ((seconds - end + WINDOW) / WINDOW) * width;
      const y = (force: number): number => height - 4 - (Math.max(0, force) / top) * (height - 12);
      pen.strokeStyle = colour('--rule');
      pen.fillStyle = colour('--quiet');
      pen.font = '14px "Barlow Condensed", sans-serif';
      for (let force = 10; force < top; force += top > 60 ? 20 : 10) {
        pen.beginPath();
        pen.moveTo(0, y(force));
        pen.lineTo(width, y(force));
        pen.stroke();
        pen.fillText(String(force), 2, y(force) - 3);
      }
      pen.strokeStyle = colour('--verdigris');
      pen.lineWidth = 2.5;
      pen.beginPath();
      let first = times.length - 1;
      while (first > 0 && times[first]! > end - WINDOW) first--;
      for (let i = Math.max(0, first); i < times.length; i++) {
        // A gap is left open: nothing was measured there.
        if (i === 0 || times[i]! - times[i - 1]! > 0.1) pen.moveTo(x(times[i]!), y(forces[i]!));
        else pen.lineTo(x(times[i]!), y(forces[i]!));
      }
      pen.stroke();
      pen.lineWidth = 1;
      element.dataset['frames'] = String(++drawn);
      frame = requestAnimationFrame(draw);
    };
    frame = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(frame);
  }, [samples, max]);
  return (
    <canvas
      ref={canvas}
      className={`block w-full border-y border-rule ${HEIGHT}`}
      role="img"
      aria-label="The squeeze as it is measured; its peak is read out below."
    />
  );
}
