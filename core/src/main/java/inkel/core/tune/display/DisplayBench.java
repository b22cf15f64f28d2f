package inkel.core.tune.display;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.I2cNeed;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Screen;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.formula.I2cTime;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Unit;
import inkel.core.tune.Device;
import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.Means;
import inkel.core.tune.sample.Result;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledBench;
import inkel.core.tune.sample.Wired;
import inkel.core.tune.sample.Work;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Volts at the contrast pin at which letters can just be read, and at which the boxes around them show: the middle is the
 * contrast. How long a picture takes, against what the bus alone would take.
 */
public final class DisplayBench implements SampledBench {
    static final String FAINT = "faint";
    static final String BOXES = "boxes";
    static final String FRAME = "frame";
    static final String CONTRAST = "contrast";
    static final String TAKES = "frame_takes";
    static final String RATE = "frames_a_second";
    static final String BUS = "frame_on_bus";

    static final String BUS_TIME = "bus seconds";
    static final String VOLTS = "volts";
    private static final String COLUMNS = "columns";
    private static final String ROWS = "rows";
    private static final String BYTES = "bytes";
    private static final String TEXT = "text";
    private static final String LACKS = "lacks ";
    private static final int BITS_A_BYTE = 8;
    private static final int READINGS = 8;
    private static final String CONTRAST_PIN = "VO";

    /** Clocks of programs count in steps of this. */
    static final double STEP = 4e-6;

    @Override
    public BenchKind kind() {
        return BenchKind.DISPLAY;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        List<String> pins = Wired.pins(node, part, pin -> pin.use() != PinUse.NONE);
        Optional<Screen> screen = part.cls().handling().screen();
        if (pins.isEmpty() || screen.isEmpty()) {
            return Optional.empty();
        }
        Map<String, Double> figures = new LinkedHashMap<>();
        figures.put(COLUMNS, (double) screen.get().columns());
        figures.put(ROWS, (double) screen.get().rows());
        figures.put(BYTES, (double) screen.get().bytes());
        figures.put(TEXT, screen.get().isOfText() ? 1.0 : 0.0);
        screen.get().lacks().chars().forEach(letter -> figures.put(LACKS + (char) letter, (double) letter));
        busSeconds(node, part).ifPresent(seconds -> figures.put(BUS_TIME, seconds));
        boolean hasContrast = part.cls().pins().stream().map(Pin::label).anyMatch(label -> label.equals(CONTRAST_PIN))
                && screen.get().isOfText();
        if (hasContrast) {
            part.cls().supplies().stream()
                    .findFirst()
                    .ifPresent(supply ->
                            figures.put(VOLTS, supply.range().range().expected().volts()));
        }
        return Optional.of(new Rig(part.part().name(), pins, figures, meter));
    }

    /** Of one picture, at the clock that the board is set to, and never faster than the part bears. */
    private static Optional<Double> busSeconds(NodeCircuit node, Placed part) {
        int bytes = part.cls().demands().turn().bytes();
        if (part.cls().i2c().isPresent()) {
            I2cNeed need = part.cls().i2c().get();
            Frequency clock = slower(node.board().own(Settings.I2C_CLOCK).orElse(need.clockMax()), need.clockMax());
            return need.traffic()
                    .map(traffic ->
                            I2cTime.of(clock, traffic.bytes(), 1, false).time().seconds());
        } else if (part.cls().spi().isPresent() && bytes > 0) {
            Frequency most = part.cls().spi().get().clockMax();
            Frequency clock = slower(node.board().own(Settings.SPI_CLOCK).orElse(most), most);
            return Optional.of(bytes * BITS_A_BYTE / clock.hertz());
        }
        return Optional.empty();
    }

    private static Frequency slower(Frequency one, Frequency other) {
        return one.hertz() < other.hertz() ? one : other;
    }

    @Override
    public Set<String> forCode() {
        return Set.of(TAKES);
    }

    @Override
    public List<Ask> asks(Rig rig) {
        List<Ask> asks = new ArrayList<>();
        if (rig.has(VOLTS)) {
            asks.add(Ask.of(FAINT, Unit.VOLT, 1));
            asks.add(Ask.of(BOXES, Unit.VOLT, 1));
        }
        asks.add(Ask.of(FRAME, Unit.SECOND, READINGS));
        return asks;
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        List<Double> faint = Means.values(samples, FAINT);
        List<Double> boxes = Means.values(samples, BOXES);
        if (!faint.isEmpty() && !boxes.isEmpty()) {
            results.add(Result.measured(CONTRAST, middle(faint, boxes, rig.meter()), Unit.VOLT));
        }
        List<Double> frame = Means.values(samples, FRAME);
        if (!frame.isEmpty()) {
            Estimate takes = Means.mean(frame, STEP);
            results.add(Result.measured(TAKES, takes, Unit.SECOND));
            results.add(Result.measured(
                            RATE,
                            new Estimate(1 / takes.value(), takes.off() / (takes.value() * takes.value())),
                            Unit.HERTZ)
                    .computed());
        }
        if (rig.has(BUS_TIME)) {
            results.add(Result.measured(BUS, Estimate.of(rig.figure(BUS_TIME)), Unit.SECOND)
                    .computed());
        }
        told.add(Fact.of(rig.figure(TEXT) > 0 ? "tune.display.letters" : "tune.display.dots")
                .with("columns", Math.round(rig.figure(COLUMNS)))
                .with("rows", Math.round(rig.figure(ROWS)))
                .with("bytes", Math.round(rig.figure(BYTES))));
        String lacks = lacks(rig);
        if (!lacks.isEmpty()) {
            told.add(Fact.of("tune.display.lacks").with("letters", lacks));
        }
        return new Work(results, Means.picture(frame, Unit.SECOND), told);
    }

    /** The meter's share is the same for both; their digits are two chances of which each counts half. */
    private static Estimate middle(List<Double> faint, List<Double> boxes, Meter meter) {
        double low = faint.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
        double high = boxes.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
        double middle = (low + high) / 2;
        double chance = Math.hypot(Means.chance(faint, meter), Means.chance(boxes, meter)) / 2;
        return new Estimate(middle, Spread.ofSum(meter.accuracy() * Math.abs(middle), chance));
    }

    private static String lacks(Rig rig) {
        return rig.figures().entrySet().stream()
                .filter(one -> one.getKey().startsWith(LACKS))
                .map(one -> String.valueOf((char) one.getValue().intValue()))
                .sorted()
                .reduce((one, other) -> one + " " + other)
                .orElse("");
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new DisplayDevice(rig, seed);
    }
}
