package inkel.app.state;

import inkel.core.catalog.BenchKind;
import inkel.core.checks.Assessment;
import inkel.core.checks.Difference;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.LogLine;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.document.edit.Tune;
import inkel.core.tune.Device;
import inkel.core.tune.Draft;
import inkel.core.tune.colour.ColourDevice;
import inkel.core.tune.colour.ColourDraft;
import inkel.core.tune.colour.Reading;
import inkel.core.tune.modem.ModemDraft;
import inkel.core.tune.radio.EtherTrouble;
import inkel.core.tune.radio.RadioNet;
import inkel.core.tune.stand.Benches;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;

/**
 * What is on the benches of Tune: drafts that are worked on, pieces that are not there, and what is kept of them.
 *
 * <p>Longer than other files: whose drafts are whose, while one practises, opens another build or starts anew, is told
 * in one place.
 */
public final class TuneWork {
    /** Numbers and nothing else: what a program prints when it prints readings. */
    private static final Pattern NUMBERS =
            Pattern.compile("[-+]?[0-9]{1,12}(?:\\.[0-9]{1,12})?(?:[\\s,;]+[-+]?[0-9]{1,12}(?:\\.[0-9]{1,12})?)*");

    private final Session session;
    private final ObjectProperty<At> current = new SimpleObjectProperty<>();
    private final ReadOnlyIntegerWrapper changes = new ReadOnlyIntegerWrapper();
    private final ReadOnlyObjectWrapper<Difference> followed = new ReadOnlyObjectWrapper<>();
    private final Map<At, Draft> drafts = new HashMap<>();

    private final BooleanProperty isRoundOpen = new SimpleBooleanProperty();

    /** Pieces that are not there, each kept as long as one practises. */
    private final Map<At, Device<?, ?>> devices = new HashMap<>();

    private final ServoWork servos;
    private final AnalogWork analogs;
    private final ModemWork modem;
    private final TagWork tags;
    private final KeyWork keys;
    private final SerialWork serial;
    private final SampledWork readings;

    /** What was judged before something was kept, until what follows from it is known. */
    private Assessment before;

    /** Drafts of builds that were open before, by their file or name. */
    private final Map<String, Map<At, Draft>> left = new HashMap<>();

    private String open = "";

    /** What an earlier run left on the benches of builds, by their file or name. */
    private final Map<String, Map<At, Tuning>> earlier = new HashMap<>();

    private final Unkept unkept;

    /** A part at one of its benches. */
    public record At(Place part, BenchKind bench) {}

    TuneWork(Session session, Path folder) {
        this.session = session;
        unkept = new Unkept(session.lanes(), folder);
        servos = new ServoWork(session, this);
        analogs = new AnalogWork(this);
        modem = new ModemWork(session, this);
        tags = new TagWork(this);
        keys = new KeyWork(session, this);
        serial = new SerialWork(session, this);
        readings = new SampledWork(this);
        session.assessmentProperty().addListener((property, old, next) -> {
            if (before != null && next != null && next != before) {
                followed.set(Difference.between(before, next));
                before = null;
            }
            change();
        });
    }

    /** What is on the bench; null for nothing. */
    public ObjectProperty<At> currentProperty() {
        return current;
    }

    /** Whether the stage shows the round of the program instead of a bench. */
    public BooleanProperty roundProperty() {
        return isRoundOpen;
    }

    /** Changes whenever a draft does. */
    public ReadOnlyIntegerProperty changesProperty() {
        return changes.getReadOnlyProperty();
    }

    /** What followed from what was kept last; null for nothing. */
    public ReadOnlyObjectProperty<Difference> followedProperty() {
        return followed.getReadOnlyProperty();
    }

    void change() {
        changes.set(changes.get() + 1);
        Map<String, Map<At, Draft>> all = new HashMap<>(left);
        all.put(open, Map.copyOf(session.practice().isOn() ? own : drafts));
        Map<String, Map<At, Tuning>> before = new HashMap<>();
        earlier.forEach((build, found) -> before.put(build, Map.copyOf(found)));
        unkept.keep(new Unkept.Now(all, before));
    }

    /** Puts back what an earlier run left on benches: for this build, and for others when they are opened. */
    public void takeUp() {
        unkept.read(found -> {
            found.forEach((build, all) -> all.forEach((at, tuning) ->
                    earlier.computeIfAbsent(build, key -> new HashMap<>()).putIfAbsent(at, tuning)));
            change();
        });
    }

    private Map<At, Tuning> earlier() {
        return session.practice().isOn() ? Map.of() : earlier.getOrDefault(open, Map.of());
    }

    /** Throws away all that is not kept of the open build. */
    void forgetAll() {
        drafts.clear();
        earlier.remove(open);
        change();
    }

    private void drop(At at) {
        drafts.remove(at);
        Optional.ofNullable(earlier.get(open)).ifPresent(found -> found.remove(at));
    }

    /** Drafts of the builder's own bench while that is left to practise. */
    private Map<At, Draft> own = Map.of();

    /** Another bench is turned to: what was not kept of the own one waits there. */
    void practise() {
        if (!session.practice().isOn()) {
            own = Map.copyOf(drafts);
        }
        clear();
    }

    void stopPractising() {
        clear();
        drafts.putAll(own);
        own = Map.of();
        change();
    }

    /** Another build is open: what was not kept of the one before waits until that is opened again. */
    void opened(String build) {
        left.put(open, Map.copyOf(drafts));
        clear();
        open = build;
        drafts.putAll(left.getOrDefault(build, Map.of()));
        change();
    }

    /** Whether anything of the open build was found or chosen that is not kept. */
    public boolean hasDrafts() {
        return !session.practice().isOn() && !(drafts.isEmpty() && earlier().isEmpty());
    }

    /** Keeps every draft, one after the other. */
    void keepAll() {
        Set<At> all = new LinkedHashSet<>(drafts.keySet());
        all.addAll(earlier().keySet());
        all.forEach(this::keep);
    }

    private void clear() {
        drafts.clear();
        devices.clear();
        servos.clear();
        analogs.clear();
        readings.clear();
        tags.clear();
        keys.clear();
        before = null;
        followed.set(null);
        change();
    }

    /** Turns to another part. */
    public void turnTo(At at) {
        if (!at.equals(current.get())) {
            servos.clear();
            analogs.clear();
            readings.clear();
            tags.clear();
            keys.clear();
            modem.stop();
            followed.set(null);
            current.set(at);
            change();
        }
    }

    /** Whether something was found or chosen that is not kept yet. */
    public boolean isDraft(At at) {
        return drafts.containsKey(at) || earlier().containsKey(at);
    }

    /** Throws away what was not kept. */
    public void forget(At at) {
        drop(at);
        readings.settle(at);
        servos.clear();
        analogs.clear();
        readings.clear();
        change();
    }

    Optional<NodeCircuit> node(At at) {
        return Optional.ofNullable(session.assessmentProperty().get())
                .flatMap(assessment -> assessment.circuit(at.part().node()));
    }

    /**
     * The draft that is worked on, else what an earlier run left or what was kept, else nothing found yet; empty for a part
     * that is not wired so that it can be worked on.
     */
    public Optional<Draft> draft(At at) {
        Optional<Draft> fresh = node(at).flatMap(node -> node.part(at.part().part())
                .flatMap(placed -> Benches.draft(
                        node,
                        placed,
                        at.bench(),
                        meter(),
                        Optional.ofNullable(earlier().get(at)).or(() -> kept(at)))));
        return fresh.map(of -> Optional.ofNullable(drafts.get(at))
                .filter(draft -> draft.isOfSameRig(of))
                .map(draft -> draft.on(of))
                .orElse(of));
    }

    <D extends Draft> Optional<D> draft(At at, Class<D> sort) {
        return draft(at).filter(sort::isInstance).map(sort::cast);
    }

    <V extends Device<?, ?>> V device(At at, Class<V> sort, Supplier<V> made) {
        return sort.cast(devices.computeIfAbsent(at, key -> made.get()));
    }

    /** What holds of a part. */
    public Optional<Tuning> kept(At at) {
        return node(at).flatMap(node -> node.tunings().of(at.part(), at.bench()))
                .map(LogLine.Tuned::tuning);
    }

    /** What was found of another piece, or of one that was fed or driven otherwise: to go on from, not to be relied on. */
    public Optional<Tuning> stale(At at) {
        return node(at).flatMap(node -> node.tunings().stale(at.part(), at.bench()))
                .map(LogLine.Tuned::tuning);
    }

    long seed(At at) {
        PracticeWork.Round round = session.practice().roundProperty().get();
        return (round == null ? 0 : round.seed()) * 31 + at.part().toString().hashCode();
    }

    /** The benches of servos. */
    public ServoWork servos() {
        return servos;
    }

    /** The benches of analog signals. */
    public AnalogWork analogs() {
        return analogs;
    }

    Meter meter() {
        return session.wake().meterProperty().get();
    }

    void put(At at, Draft draft) {
        drafts.put(at, draft);
    }

    /** Another draft is worked on. */
    void change(At at, Draft draft) {
        put(at, draft);
        change();
    }

    /** A line that a board printed: codes of the signal on the bench are gathered. */
    void hear(String line) {
        At at = current.get();
        String[] words = line.strip().split("\\s+");
        if (at != null && at.bench() == BenchKind.ANALOG_IN) {
            analogs.hear(at, words);
        } else if (at != null
                && at.bench() == BenchKind.INFRARED
                && NUMBERS.matcher(line.strip()).matches()) {
            keys.hear(at, line.strip());
        } else if (at != null && at.bench() == BenchKind.MODEM) {
            modem.hear(line.strip());
        } else if (at != null && at.bench() == BenchKind.SERIAL) {
            serial.hear(at, line);
        } else if (at != null && at.bench() == BenchKind.TAGS) {
            tags.hear(at, line);
        } else if (at != null
                && readings.of(at).isPresent()
                && NUMBERS.matcher(line.strip()).matches()) {
            readings.hear(line.strip());
        }
    }

    /** Tags at readers. */
    public TagWork tags() {
        return tags;
    }

    /** Keys of handsets. */
    public KeyWork keys() {
        return keys;
    }

    /** Other parts at serial lines. */
    public SerialWork serial() {
        return serial;
    }

    /** Benches of readings. */
    public SampledWork readings() {
        return readings;
    }

    // --- modem

    public Optional<ModemDraft> modem(At at) {
        return draft(at, ModemDraft.class);
    }

    public void modem(At at, ModemDraft next) {
        change(at, next);
    }

    /** What is said to a modem and heard of it. */
    public ModemWork talk() {
        return modem;
    }

    // --- packet radios

    /** Those that a radio belongs to; empty for one that belongs to none. */
    public Optional<RadioNet> radios(At at) {
        return Optional.ofNullable(session.assessmentProperty().get())
                .flatMap(assessment -> assessment.reports().radios().net(at.part()));
    }

    /** What one of them does otherwise than its line says while one practises; empty on the builder's own bench. */
    public Optional<EtherTrouble> planted(At at) {
        return radios(at).filter(net -> session.practice().isOn()).flatMap(net -> EtherTrouble.of(net, seed(at)));
    }

    // --- colour

    /** Empty for a bench of another sort. */
    public Optional<ColourDraft> colour(At at) {
        return draft(at, ColourDraft.class);
    }

    public void colour(At at, ColourDraft next) {
        change(at, next);
    }

    /** Readings of the sensor that is not there. */
    public List<Reading> practise(At at, ColourDevice.Ask ask) {
        return device(at, ColourDevice.class, () -> new ColourDevice(seed(at))).answer(ask);
    }

    // --- keeping

    /** Keeps the draft in the record; what follows from it is told when it is known. */
    public void keep(At at) {
        Optional<Tuning> tuning = draft(at).map(Draft::tuning);
        boolean isHeard =
                analogs.waiting() > 0 || session.line().nowProperty().get().isListening();
        LogLine.By by = isHeard && at.bench() == BenchKind.ANALOG_IN || readings.isFromLine(at)
                ? LogLine.By.BOARD
                : LogLine.By.TYPED;
        before = session.assessmentProperty().get();
        boolean isKept = tuning.isPresent() && session.apply(new Tune(at.part(), tuning.get(), by, session.now()));
        if (isKept) {
            drop(at);
            readings.settle(at);
        } else {
            before = null;
        }
        change();
    }
}
