import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { cancelPlate, type Edition } from "../../../api/editions";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Trouble } from "../../../ui/Trouble";

const WAYS = ["scored through", "kept, not to be printed again"];

/** The plate is cancelled when its edition is printed: it cannot be taken back. */
export function Cancel({ edition }: { edition: Edition }) {
  const { room } = useHere();
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const cancel = useMutation({
    mutationFn: (how: string) =>
      cancelPlate(room, edition.plate, { version: edition.version, how }),
    onSuccess: async () => {
      setOpen(false);
      await client.invalidateQueries({ queryKey: [room] });
    },
  });
  if (edition.cancelled_at !== null) return null;
  return (
    <div>
      <h2 className="text-h3">When all are printed</h2>
      <p className="mt-1 mb-3">
        A cancelled plate prints no more: score it through, or put it away as never to be printed
        again. Nothing can be pulled after that.
      </p>
      <Button onClick={() => setOpen(true)}>Cancel the plate</Button>
      <Dialog open={open} onClose={() => setOpen(false)} className="relative z-40">
        <div className="fixed inset-0 grid place-items-center bg-veil p-4">
          <DialogPanel className="plate-mark grid max-w-120 gap-3 p-6">
            <DialogTitle className="text-h2">Cancel {edition.plate_name}?</DialogTitle>
            <p>
              {edition.left > 0
                ? `${edition.left} of the edition are not printed yet. This cannot be taken back.`
                : "This cannot be taken back."}
            </p>
            <Trouble error={cancel.error} />
            <div className="flex flex-wrap gap-3">
              <Button autoFocus onClick={() => setOpen(false)}>
                Leave it
              </Button>
              {WAYS.map((how) => (
                <Button
                  key={how}
                  look="danger"
                  disabled={cancel.isPending}
                  onClick={() => cancel.mutate(how)}
                >
                  Cancelled: {how}
                </Button>
              ))}
            </div>
          </DialogPanel>
        </div>
      </Dialog>
    </div>
  );
}
