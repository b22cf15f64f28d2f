package inkel.core.tune.analog;

import inkel.core.document.Meter;
import inkel.core.document.Tuning;
import inkel.core.tune.Constant;
import inkel.core.tune.Draft;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The analog signals of a part while it is on the bench, as those of a stick that tilts both ways.
 *
 * @param signals those that a converter reads; at least one
 * @param shown which of them is worked on
 */
public record AnalogDraft(List<AnalogSignal> signals, int shown) implements Draft {
    public AnalogDraft {
        signals = List.copyOf(signals);
    }

    /**
     * With what was kept, or nothing yet.
     *
     * @param rigs at least one
     */
    public static AnalogDraft of(List<AnalogRig> rigs, Meter meter, Optional<Tuning> kept) {
        List<AnalogSignal> signals = new ArrayList<>();
        for (AnalogRig rig : rigs) {
            // Before parts had several signals, what was kept was of the first one that was wired.
            boolean isFirst = signals.isEmpty();
            signals.add(kept.map(tuning -> AnalogKept.signal(rig, meter, tuning, isFirst))
                    .orElseGet(() -> AnalogSignal.of(rig, meter)));
        }
        return new AnalogDraft(signals, 0);
    }

    public AnalogSignal signal() {
        return signals.get(shown);
    }

    /** The shown signal as it is now. */
    public AnalogDraft with(AnalogSignal next) {
        List<AnalogSignal> all = new ArrayList<>(signals);
        all.set(shown, next);
        return new AnalogDraft(all, shown);
    }

    public AnalogDraft turned(int to) {
        return new AnalogDraft(signals, to);
    }

    private List<AnalogRig> rigs() {
        return signals.stream().map(AnalogSignal::rig).toList();
    }

    @Override
    public Tuning tuning() {
        return AnalogKept.tuning(signals);
    }

    @Override
    public boolean isOfSameRig(Draft other) {
        return other instanceof AnalogDraft of && of.rigs().equals(rigs());
    }

    @Override
    public List<Constant> constants() {
        return signals.stream()
                .flatMap(signal -> AnalogKept.constants(signal).stream())
                .toList();
    }
}
