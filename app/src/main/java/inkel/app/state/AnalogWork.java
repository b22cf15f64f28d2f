package inkel.app.state;

import inkel.core.document.Place;
import inkel.core.tune.analog.AnalogDevice;
import inkel.core.tune.analog.AnalogDraft;
import inkel.core.tune.analog.AnalogRig;
import inkel.core.tune.analog.AnalogSignal;
import inkel.core.tune.analog.Run;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Analog signals on the bench: codes come by hand, over the line, or from a sensor that is not there. */
public final class AnalogWork {
    private final TuneWork tune;

    /** Codes that came over a line for the signal that is on the bench, and are not taken yet. */
    private final List<Integer> codes = new ArrayList<>();

    /** Which signal of a part is worked on. */
    private final Map<TuneWork.At, Integer> turned = new HashMap<>();

    AnalogWork(TuneWork tune) {
        this.tune = tune;
    }

    /** Another thing is on the bench, or the same anew. */
    void clear() {
        codes.clear();
    }

    /** Empty for a part without a wired analog signal. */
    public Optional<AnalogDraft> of(TuneWork.At at) {
        return tune.draft(at, AnalogDraft.class).map(draft -> draft.turned(shown(at, draft)));
    }

    private int shown(TuneWork.At at, AnalogDraft draft) {
        return Math.min(turned.getOrDefault(at, 0), draft.signals().size() - 1);
    }

    public void change(TuneWork.At at, AnalogDraft next) {
        tune.change(at, next);
    }

    /** Turns to another signal of the part; codes that came for the one before are let go. */
    public void turn(TuneWork.At at, int signal) {
        codes.clear();
        turned.put(at, signal);
        tune.change();
    }

    /** Reads codes of the sensor that is not there, and the meter beside it. */
    public void practise(TuneWork.At at, double share, int count) {
        of(at).ifPresent(draft -> {
            AnalogSignal signal = draft.signal();
            // Each signal of a part is a sensor of its own.
            TuneWork.At own =
                    new TuneWork.At(Place.of(at.part().node(), signal.rig().signal()), at.bench());
            AnalogDevice device = tune.device(
                    own, AnalogDevice.class, () -> new AnalogDevice(signal.rig(), signal.meter(), tune.seed(own)));
            change(at, draft.with(signal.with(device.answer(new AnalogDevice.Ask(share, count, true)))));
        });
    }

    /** A line that a board printed: codes of the signal on the bench are gathered. */
    void hear(TuneWork.At at, String... words) {
        boolean isCode = words.length == 3 && words[0].equals("adc") && words[2].matches("[0-9]{1,7}");
        if (isCode
                && of(at).filter(draft -> isOf(draft.signal().rig(), words[1])).isPresent()) {
            codes.add(Integer.parseInt(words[2]));
            tune.change();
        }
    }

    private static boolean isOf(AnalogRig rig, String name) {
        return rig.pin().pin().equals(name) || rig.signal().toString().equals(name);
    }

    /** How many codes have come since the last run. */
    public int waiting() {
        return codes.size();
    }

    /** Makes a run of the codes that came, with what the meter read meanwhile. */
    public void take(TuneWork.At at, Optional<Double> volts) {
        if (!codes.isEmpty()) {
            Run run = new Run(codes, volts);
            codes.clear();
            of(at).ifPresent(draft -> change(at, draft.with(draft.signal().with(run))));
        }
    }
}
