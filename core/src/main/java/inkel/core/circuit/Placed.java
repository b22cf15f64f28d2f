package inkel.core.circuit;

import inkel.core.catalog.Fitting;
import inkel.core.catalog.Hazard;
import inkel.core.catalog.Intake;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Kind;
import inkel.core.catalog.Mode;
import inkel.core.catalog.Output;
import inkel.core.catalog.OwnFigures;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Pull;
import inkel.core.catalog.Reduction;
import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.catalog.SpiNeed;
import inkel.core.catalog.Supply;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A part of the build with its class.
 *
 * <p>Longer than other files: whatever asks of a part asks here, and not its class, since settings and own figures are
 * in it.
 *
 * @param missing the pull-ups that a bare chip does not bring
 * @param strapped the bus address that its strap pins give, as they are tied; see {@link Straps}
 */
public record Placed(Part part, PartClass cls, List<Pull> missing, Optional<Integer> strapped) {
    /** What a Schottky diode in a feed takes away at the most. */
    public static final Voltage DIODE = Voltage.ofMillivolts(400);

    public Placed {
        missing = List.copyOf(missing);
    }

    public Placed(Part part, PartClass cls) {
        this(part, cls, List.of(), Optional.empty());
    }

    /**
     * Joins a part to its class, as that is for this part: what was measured, own figures, what is fed, what is turned down,
     * bare or not.
     *
     * @param found its class, as its legs are wired
     * @param isSwitched whether its feed comes through a contact of another part
     * @param isLoaded whether something hangs on what it passes on or switches
     * @param measured what was found of this piece in the place of figures of its class; own figures go before it
     */
    static Placed of(
            Part given,
            PartClass found,
            Optional<Integer> strapped,
            Optional<Windings> driven,
            Optional<Rail> brought,
            boolean isSwitched,
            boolean isLoaded,
            Map<String, String> measured) {
        PartClass listed = isLoaded ? found.loaded() : found;
        PartClass plain = isSwitched ? listed.switchedAhead() : listed;
        PartClass loaded = driven.map(windings -> windings.on(plain))
                .or(() -> brought.map(rail -> bringing(plain, rail)))
                .orElse(plain);
        PartClass clocked = own(given, loaded, Settings.CLOCK).map(loaded::at).orElse(loaded);
        PartClass own = OwnFigures.apply(OwnFigures.measured(clocked, measured), given.figures());
        Part part = withFollowingFeeds(given, own);
        PartClass fed = fed(ofCells(turnedDown(own, part), part), part);
        boolean isMadeBare =
                own(part, fed, Settings.FORM).filter(Settings.Form.CHIP::equals).isPresent();
        boolean isCutOff = part.has(Settings.PULL_UPS);
        List<Pull> pulls = new ArrayList<>(isMadeBare || isCutOff ? List.of() : fed.pulls());
        pulls.addAll(addedPulls(fed, part));
        PartClass placed =
                pulls.equals(fed.pulls()) ? fed : fed.with(fed.supplies(), fed.outputs(), fed.io(), fed.modes(), pulls);
        return new Placed(part, placed, isMadeBare ? fed.pulls() : List.of(), strapped);
    }

    /** A lead has the volts of the rail that it brings, and gives no more than that. */
    private static PartClass bringing(PartClass lead, Rail rail) {
        List<Output> outputs = lead.outputs().stream()
                .map(output -> output.giving(
                        rail.volts().map(volts -> new Figure<>(volts, Source.COMPUTED)),
                        rail.output().rating()))
                .toList();
        return lead.with(lead.supplies(), outputs, lead.io(), lead.modes(), lead.pulls());
    }

    /** A supply pin that goes with another one is on its rail, where the builder gave it none of its own. */
    private static Part withFollowingFeeds(Part part, PartClass cls) {
        Part fed = part;
        for (Supply supply : cls.supplies()) {
            if (supply.with().isPresent() && !part.feeds().containsKey(supply.pin())) {
                Endpoint rail = part.feeds().get(supply.with().get());
                fed = rail == null ? fed : fed.withFeed(supply.pin(), rail);
            }
        }
        return fed;
    }

    /** Resistors that the builder put from the bus pins or the select to the part's own supply. */
    private static List<Pull> addedPulls(PartClass cls, Part part) {
        Optional<Resistance> added = own(part, cls, Settings.ADD_PULL_UPS);
        if (cls.supplies().isEmpty()) {
            return List.of();
        }
        String supply = cls.supplies().get(0).pin();
        Optional<Resistance> onSelect = own(part, cls, Settings.SELECT_PULL_UP);
        if (added.isEmpty() && onSelect.isEmpty()) {
            return List.of();
        }
        if (cls.controller().isPresent()) {
            return cls.busPins().stream()
                    .flatMap(pin -> cls.io(pin).flatMap(io -> pull(pin, io.supply(), added)).stream())
                    .toList();
        }
        return cls.pins().stream()
                .flatMap(pin -> switch (pin.use()) {
                    case I2C_SDA, I2C_SCL -> pull(pin, supply, added).stream();
                    case DATA, OUTPUT, INTERRUPT ->
                        takesPullUps(cls, pin) ? pull(pin, supply, added).stream() : Stream.<Pull>empty();
                    case SPI_CS -> isSelectedHigh(cls) ? Stream.<Pull>empty() : pull(pin, supply, onSelect).stream();
                    default -> Stream.<Pull>empty();
                })
                .toList();
    }

    /** Whether resistors that the builder adds go to a pin: to the lines of a bus, or to open drains of a part on none. */
    public boolean takesPullUps(String pin) {
        return cls.pin(pin).filter(found -> takesPullUps(cls, found)).isPresent();
    }

    private static boolean takesPullUps(PartClass cls, Pin pin) {
        boolean isOpen = pin.use() == PinUse.DATA
                || pin.use().drives() && cls.io(pin).filter(IoFamily::openDrain).isPresent();
        return cls.i2c().isEmpty() && isOpen && !cls.supplies().isEmpty();
    }

    private static boolean isSelectedHigh(PartClass cls) {
        return cls.spi().filter(SpiNeed::isSelectedHigh).isPresent();
    }

    /** The resistor that holds a select off while nobody drives it goes to ground where a high selects. */
    public boolean isSelectHeldLow() {
        return isSelectedHigh(cls) && part.has(Settings.SELECT_PULL_UP);
    }

    /** That resistor, where the part has a ground pin for it. */
    public Optional<Fitting> selectHeldLow() {
        Optional<String> select = cls.pins().stream()
                .filter(pin -> pin.use() == PinUse.SPI_CS)
                .map(Pin::label)
                .findFirst();
        Optional<String> ground = cls.pins().stream()
                .filter(pin -> pin.use() == PinUse.GROUND)
                .map(Pin::label)
                .findFirst();
        return own(Settings.SELECT_PULL_UP)
                .filter(ohms -> isSelectHeldLow() && select.isPresent() && ground.isPresent())
                .map(ohms -> new Fitting(Fitting.Sort.RESISTOR, ohms, select.get(), ground.get()));
    }

    /** What is on the part as it is bought. */
    public List<Pull> ownPullUps() {
        return cls.pulls().subList(0, cls.pulls().size() - addedPullUps().size());
    }

    private static Optional<Pull> pull(Pin pin, String supply, Optional<Resistance> resistance) {
        return resistance.map(ohms -> new Pull(pin.label(), supply, ohms, Optional.empty()));
    }

    /** A pack with another number of cells than its class: the volts of a cell, as often as there are cells. */
    private static PartClass ofCells(PartClass cls, Part part) {
        return own(part, cls, Settings.CELLS)
                .map(count -> cls.with(
                        cls.supplies(),
                        cls.outputs().stream()
                                .map(output -> ofCells(output, count))
                                .toList(),
                        cls.io(),
                        cls.modes(),
                        cls.pulls()))
                .orElse(cls);
    }

    private static Output ofCells(Output output, int count) {
        return output.battery()
                .map(battery -> output.of(
                        battery.ofCells(count),
                        output.volts()
                                .map(figure -> new Figure<Voltage>(
                                        figure.range().map(volts -> volts.times((double) count / battery.cells())),
                                        figure.source()))))
                .orElse(output);
    }

    private static PartClass turnedDown(PartClass cls, Part part) {
        return own(part, cls, Settings.TURNED_DOWN)
                .map(lower -> cls.with(
                        cls.supplies(),
                        cls.outputs(),
                        cls.io(),
                        cls.modes().stream().map(mode -> lowered(mode, lower)).toList(),
                        cls.pulls()))
                .orElse(cls);
    }

    private static Mode lowered(Mode mode, Reduction lower) {
        boolean isIt = mode.supply().equals(lower.supply()) && mode.name().equals(lower.mode());
        return isIt
                ? mode.with(new Figure<>(
                        Range.exactly(lower.current()), mode.current().source()))
                : mode;
    }

    /** Where the usual way in is not fed and another one is, rails and the part's own current come from that one. */
    private static PartClass fed(PartClass cls, Part part) {
        Map<String, String> instead = new HashMap<>();
        List<Output> outputs = new ArrayList<>();
        for (Output output : cls.outputs()) {
            boolean isFed = output.from().filter(part.feeds()::containsKey).isPresent();
            Optional<Intake> other = isFed
                    ? Optional.empty()
                    : output.orFrom().stream()
                            .filter(intake -> part.feeds().containsKey(intake.pin()))
                            .findFirst();
            other.ifPresent(intake -> instead.put(output.from().orElse(""), intake.pin()));
            outputs.add(other.map(output::through).orElse(output));
        }
        if (instead.isEmpty()) {
            return cls;
        }
        List<Mode> modes = cls.modes().stream()
                .map(mode -> mode.through(instead.getOrDefault(mode.supply(), mode.supply())))
                .toList();
        return cls.with(cls.supplies(), outputs, cls.io(), modes, cls.pulls());
    }

    /** What the builder chose for a setting; empty when nothing was chosen. */
    public <T> Optional<T> own(Setting<T> setting) {
        return own(part, cls, setting);
    }

    private static <T> Optional<T> own(Part part, PartClass cls, Setting<T> setting) {
        // Looked up first, since nearly all settings of nearly all parts are not chosen.
        Optional<String> typed = part.typed(setting);
        return typed.isEmpty() ? Optional.empty() : setting.read(cls, typed.get());
    }

    /** Whether mains may be behind its contacts: not where it was said, or is planned, that low voltage is. */
    public boolean mayCarryMains() {
        return cls.handling().mayCarryMains() && own(Settings.BEHIND).isEmpty() && !isSwitchingRails();
    }

    /** Whether a rail of the plan feeds every one of its contacts. */
    private boolean isSwitchingRails() {
        List<Output> switched = cls.outputs().stream()
                .filter(output -> output.contact().isPresent())
                .toList();
        return !switched.isEmpty()
                && switched.stream().flatMap(output -> output.from().stream()).allMatch(part.feeds()::containsKey);
    }

    /** What can hurt somebody where it is used here. */
    public Set<Hazard> hazards() {
        boolean isLow = cls.handling().mayCarryMains() && !mayCarryMains();
        return cls.handling().hazards().stream()
                .filter(hazard -> hazard != Hazard.MAINS || !isLow)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Hazard.class)));
    }

    /** Where the value of a setting comes from: the builder, or what is taken otherwise. */
    public Source sourceOf(Setting<?> setting, Source otherwise) {
        return part.has(setting) ? Source.YOURS : otherwise;
    }

    /** The pull-ups of {@link Settings#ADD_PULL_UPS}, which are not on the part when it is bought. */
    public List<Pull> addedPullUps() {
        return addedPulls(cls, part);
    }

    /** Whether the builder keeps one of its pins free for something of their own. */
    public boolean isKeptFree(Pin pin) {
        return own(Settings.FORBIDDEN)
                .filter(kept -> kept.contains(pin.label()))
                .isPresent();
    }

    /** Whether a signal is to be wired: as its class has it, unless the builder wants it or does without it, or without the part yet. */
    public boolean wants(Pin pin) {
        return !isForLater() && wantsInPlan(pin);
    }

    /** Whether it only lies on the table and is no part of the plan yet. */
    public boolean isForLater() {
        return part.has(Settings.LATER);
    }

    /** Whether it is a board beside the one whose table this is: it follows a program of its own. */
    public boolean isSecondBoard() {
        return !part.isBoard() && cls.kind() == Kind.BOARD;
    }

    private boolean wantsInPlan(Pin pin) {
        return isAskedFor(pin) || pin.isWanted() && !isDeclined(pin);
    }

    /** Whether the builder wants a signal wired, whatever its class says of it. */
    boolean isAskedFor(Pin pin) {
        return own(Settings.WANTED).filter(pins -> pins.contains(pin.label())).isPresent();
    }

    private boolean isDeclined(Pin pin) {
        return own(Settings.DECLINED)
                .filter(pins -> pins.containsKey(pin.label()))
                .isPresent();
    }

    /** Whether a signal is wired once something else of the part asks for it. */
    boolean mayWant(Pin pin) {
        return !isForLater() && !isDeclined(pin);
    }

    /** The capacitor that the builder put across its supply to carry bursts; empty when there is none. */
    public Optional<Capacitance> capacitor() {
        return own(Settings.CAPACITOR);
    }

    /** That capacitor, from the supply pin whose bursts it carries; none where the part has no ground pin. */
    public Optional<Fitting> acrossSupply() {
        return capacitor().flatMap(value -> cls.bursts().stream()
                .flatMap(burst -> cls.supply(burst.supply()).stream())
                .findFirst()
                .flatMap(supply -> toGround(legOf(supply.pin()), value)));
    }

    /** A pin, or the one that passes on what comes in at a socket. */
    private String legOf(String pin) {
        boolean isSocket = cls.pin(pin).filter(Pin::isSocket).isPresent();
        return cls.outputs().stream()
                .filter(output -> isSocket && output.way() == Output.Way.PASS)
                .filter(output -> output.from().filter(pin::equals).isPresent())
                .map(Output::pin)
                .filter(leg -> cls.pin(leg).isPresent())
                .findFirst()
                .orElse(pin);
    }

    /** The capacitors that its class wants close to supply pins, as small parts to ground. */
    public List<Fitting> decouplers() {
        return cls.decoupling().stream()
                .flatMap(wanted -> toGround(wanted.pin(), wanted.value()).stream())
                .toList();
    }

    private Optional<Fitting> toGround(String pin, Capacitance value) {
        return cls.pins().stream()
                .filter(found -> found.use() == PinUse.GROUND)
                .findFirst()
                .map(ground -> new Fitting(Fitting.Sort.CAPACITOR, value, pin, ground.label()));
    }

    /** Whether a diode stands in the feed of a supply pin. */
    public boolean hasDiode(String supplyPin) {
        return own(Settings.DIODE).filter(pins -> pins.contains(supplyPin)).isPresent();
    }

    /**
     * What arrives at a supply pin of what its rail has: less the drop of a diode in the feed, which loses half of its most
     * when next to nothing flows.
     */
    public Range<Voltage> arriving(String supplyPin, Range<Voltage> rail) {
        return !hasDiode(supplyPin)
                ? rail
                : new Range<>(
                        behindDiode(rail.lowest(), 1),
                        behindDiode(rail.expected(), 0.75),
                        behindDiode(rail.highest(), 0.5));
    }

    private static Voltage behindDiode(Voltage volts, double share) {
        return Voltage.ofVolts(Math.max(0, volts.volts() - share * DIODE.volts()));
    }

    /** The pull-ups that a ready module of its class would have brought and this bare chip does not. */
    public List<Pull> bringsNoPulls() {
        return missing;
    }

    /** Whether it lies on the table as a bare chip: the builder's word, else the class's. */
    public boolean isChip() {
        return own(Settings.FORM)
                .map(Settings.Form.CHIP::equals)
                .orElse(cls.handling().make().isChip());
    }

    /** Whether its header still has to be soldered on. */
    public boolean isHeaderLoose() {
        return own(Settings.HEADER)
                .map(Settings.Header.LOOSE::equals)
                .orElse(cls.handling().make().headerLoose());
    }

    public String id() {
        return part.id();
    }

    public Endpoint endpoint(Pin pin) {
        return new Endpoint(part.id(), pin.label());
    }

    /** The 7-bit I2C address it is meant to answer to: the builder's choice, else what its straps give; empty off the bus. */
    public Optional<Integer> address() {
        return cls.i2c().map(need -> own(Settings.ADDRESS).or(() -> strapped).orElse(need.shipped()));
    }

    /** The 7-bit address that a board itself answers to on a bus that it shares with others; empty where none was said. */
    public Optional<Integer> answersAt() {
        return own(Settings.ANSWERS_AT);
    }

    /** Every 7-bit address that it answers to, its main one first. */
    public List<Integer> addresses() {
        List<Integer> all = new ArrayList<>();
        address().or(this::answersAt).ifPresent(all::add);
        cls.i2c().ifPresent(need -> all.addAll(need.others()));
        return all;
    }

    /** The rate its serial port runs at: the builder's choice, else the one it wakes up with. */
    public Optional<Frequency> baud() {
        return cls.uart().map(need -> own(Settings.BAUD).orElse(need.rates().get(0)));
    }
}
