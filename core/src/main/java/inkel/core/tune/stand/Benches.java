package inkel.core.tune.stand;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.document.Tuning;
import inkel.core.tune.Draft;
import inkel.core.tune.analog.AnalogDraft;
import inkel.core.tune.analog.AnalogRig;
import inkel.core.tune.buzzer.BuzzerBench;
import inkel.core.tune.clock.ClockBench;
import inkel.core.tune.colour.ColourDraft;
import inkel.core.tune.colour.ColourKept;
import inkel.core.tune.colour.ColourRig;
import inkel.core.tune.compass.CompassBench;
import inkel.core.tune.current.CurrentBench;
import inkel.core.tune.display.DisplayBench;
import inkel.core.tune.infrared.KeyDraft;
import inkel.core.tune.lamp.LampBench;
import inkel.core.tune.load.LoadCellBench;
import inkel.core.tune.modem.ModemDraft;
import inkel.core.tune.motion.MotionBench;
import inkel.core.tune.out.OutBench;
import inkel.core.tune.pulses.PulsesBench;
import inkel.core.tune.radio.RadioNet;
import inkel.core.tune.receiver.ReceiverBench;
import inkel.core.tune.relay.RelayBench;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.SampledBench;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sender.SenderBench;
import inkel.core.tune.serial.SerialDraft;
import inkel.core.tune.servo.ServoDraft;
import inkel.core.tune.servo.ServoKept;
import inkel.core.tune.servo.ServoRig;
import inkel.core.tune.stepper.StepperBench;
import inkel.core.tune.strip.StripBench;
import inkel.core.tune.tags.TagDraft;
import java.util.List;
import java.util.Optional;

/** The benches that there are; a class may name others, which are to come. A new bench of readings is a line here. */
public final class Benches {
    private static final List<SampledBench> SAMPLED = List.of(
            new ReceiverBench(),
            new MotionBench(),
            new CompassBench(),
            new OutBench(),
            new PulsesBench(),
            new StepperBench(),
            new LoadCellBench(),
            new CurrentBench(),
            new ClockBench(),
            new StripBench(),
            new LampBench(),
            new RelayBench(),
            new BuzzerBench(),
            new DisplayBench(),
            new SenderBench());

    private Benches() {}

    public static Optional<SampledBench> sampled(BenchKind kind) {
        return SAMPLED.stream().filter(bench -> bench.kind() == kind).findFirst();
    }

    /** Whether there is a bench of a kind, and a part of this sort has its place there. */
    public static boolean isThere(Placed part, BenchKind kind) {
        return switch (kind) {
            // A driver of servos has their bench in its class; what is tuned is each servo on it.
            case SERVO -> part.cls().pwm().isPresent();
            case ANALOG_IN -> AnalogRig.isRead(part.cls());
            case COLOUR, TAGS, MODEM -> true;
            case SERIAL -> part.cls().handling().checks().stream().anyMatch(WakeCheck.Reply.class::isInstance);
            // A lamp of infrared has that bench in its class too; what is learnt is what a receiver hears.
            case INFRARED ->
                part.cls().handling().air().filter(air -> air.way().hears()).isPresent();
            case PACKET_RADIO -> RadioNet.isOne(part);
            default -> sampled(kind).isPresent();
        };
    }

    /** Whether something is found out there that is kept; links are planned instead. */
    public static boolean isKept(BenchKind kind) {
        return kind != BenchKind.PACKET_RADIO;
    }

    /**
     * What a bench begins with: what was kept there, or nothing yet. Empty for a part that is not wired so that it can be
     * worked on.
     */
    public static Optional<Draft> draft(
            NodeCircuit node, Placed part, BenchKind kind, Meter meter, Optional<Tuning> kept) {
        return switch (kind) {
            case SERVO ->
                ServoRig.of(node, part).map(rig -> kept.map(tuning -> ServoKept.draft(rig, tuning))
                        .orElseGet(() -> ServoDraft.of(rig)));
            case ANALOG_IN ->
                Optional.of(AnalogRig.all(node, part))
                        .filter(rigs -> !rigs.isEmpty())
                        .map(rigs -> AnalogDraft.of(rigs, meter, kept));
            case COLOUR ->
                ColourRig.of(node, part).map(rig -> kept.map(tuning -> ColourKept.draft(rig, tuning))
                        .orElseGet(() -> ColourDraft.of(rig)));
            case INFRARED -> KeyDraft.of(node, part, kept).map(Draft.class::cast);
            case MODEM -> ModemDraft.of(node, part, kept).map(Draft.class::cast);
            case SERIAL -> SerialDraft.of(node, part, kept).map(Draft.class::cast);
            case TAGS -> TagDraft.of(node, part, kept).map(Draft.class::cast);
            default ->
                sampled(kind).flatMap(bench -> bench.rig(node, part, meter).map(rig -> draft(bench, rig, kept)));
        };
    }

    private static SampledDraft draft(SampledBench bench, Rig rig, Optional<Tuning> kept) {
        return kept.map(tuning -> SampledDraft.of(bench, rig, tuning)).orElseGet(() -> SampledDraft.of(bench, rig));
    }
}
