import { useMutation } from "@tanstack/react-query";
import { QRCodeSVG } from "qrcode.react";
import { useEffect } from "react";
import type { SignInCodeAnswer } from "@dragonet/contract";
import { ask } from "../../base/api.ts";
import { Button } from "../../ui/Button.tsx";
import { Trouble } from "../../ui/page/states.tsx";
import { TIME } from "../../ui/moments.ts";

/** Addresses that mean "this machine" on every machine. */
const LOOPBACK = /^(localhost|127\.|\[::1\])/;

/** A code for a phone's camera, in place of a password typed with a thumb. */
export function SignInCode() {
  const fresh = useMutation({
    mutationFn: () => ask<SignInCodeAnswer>("session/code", "POST", {}),
  });
  const { data, reset } = fresh;
  useEffect(() => {
    if (!data) return undefined;
    const over = setTimeout(reset, Math.max(0, Date.parse(data.until) - Date.now()));
    return () => clearTimeout(over);
  }, [data, reset]);
  const address = data && `${location.origin}/#code=${data.code}`;
  return (
    <div className="mt-4">
      <h3 className="font-bold">Sign in a phone</h3>
      {address ? (
        <div className="mt-2 flex flex-wrap items-start gap-4">
          <QRCodeSVG
            value={address}
            size={168}
            marginSize={4}
            level="M"
            bgColor="#ffffff"
            fgColor="#000000"
            role="img"
            aria-label="Code for the phone’s camera"
          />
          <div className="max-w-72">
            <p>
              Hold the phone’s camera before it and follow the address. It works once, until{" "}
              {TIME.format(new Date(data.until))}.
            </p>
            {LOOPBACK.test(location.host) && (
              <p className="mt-2 font-bold">
                This page is open at {location.host}, which no phone can reach: open it at this
                machine’s address on the network, as the start prints it with --host 0.0.0.0.
              </p>
            )}
            <Button look="quiet" className="mt-2" onClick={() => reset()}>
              Hide it
            </Button>
          </div>
        </div>
      ) : (
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <Button disabled={fresh.isPending} onClick={() => fresh.mutate()}>
            Show a code
          </Button>
          <span className="text-small text-muted">
            Whoever holds a camera before it is signed in as you.
          </span>
        </div>
      )}
      {fresh.error && <Trouble error={fresh.error} />}
    </div>
  );
}
