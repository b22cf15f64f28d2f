package inkel.app.state;

import inkel.core.tune.serial.SerialDevice;
import inkel.core.tune.serial.SerialDraft;
import java.util.List;
import java.util.Optional;

/** Other parts at a serial line on the bench: rates are tried at a port, or with a part that is not there. */
public final class SerialWork {
    private final Session session;
    private final TuneWork tune;

    SerialWork(Session session, TuneWork tune) {
        this.session = session;
        this.tune = tune;
    }

    public Optional<SerialDraft> of(TuneWork.At at) {
        return tune.draft(at, SerialDraft.class);
    }

    /** A line that came, at the rate that the port listens at. */
    void hear(TuneWork.At at, String line) {
        int baud = session.line().openBaud();
        of(at).filter(draft -> !line.isBlank() && baud > 0).ifPresent(draft -> heard(at, draft, baud, List.of(line)));
    }

    /** Tries a rate: at the port that is listened to, or with a part that is not there. */
    public void tryRate(TuneWork.At at, int baud) {
        of(at).ifPresent(draft -> {
            if (session.practice().isOn()) {
                SerialDevice device =
                        tune.device(at, SerialDevice.class, () -> new SerialDevice(draft.rig(), tune.seed(at)));
                heard(at, draft, baud, device.answer(baud));
            } else {
                session.line().again(baud, draft.rig().say());
            }
        });
    }

    private void heard(TuneWork.At at, SerialDraft draft, int baud, List<String> lines) {
        tune.change(at, draft.with(baud, lines));
    }
}
