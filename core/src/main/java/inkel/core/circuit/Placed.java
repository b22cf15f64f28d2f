package inkel.core.circuit;

import inkel.core.build.Endpoint;
import inkel.core.build.Part;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.OwnFigures;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Pull;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Unit;
import java.util.List;
import java.util.Optional;

/** A part of the build with its class. */
public record Placed(Part part, PartClass cls, List<Pull> missing) {
    public Placed {
        missing = List.copyOf(missing);
    }

    public Placed(Part part, PartClass cls) {
        this(part, cls, List.of());
    }

    /** Joins a part to its class, with the builder's own figures and without what a bare chip does not bring. */
    static Placed of(Part part, Catalog catalog) {
        PartClass own = OwnFigures.apply(catalog.get(part.classId()), part.figures());
        boolean isMadeBare = part.setting("form").filter("chip"::equals).isPresent();
        PartClass bare = isMadeBare ? own.with(own.supplies(), own.outputs(), own.io(), own.modes(), List.of()) : own;
        return new Placed(part, bare, isMadeBare ? own.pulls() : List.of());
    }

    /** The pull-ups that a ready module of its class would have brought and this bare chip does not. */
    public List<Pull> bringsNoPulls() {
        return missing;
    }

    /** Whether it lies on the table as a bare chip: the builder's word, else the class's. */
    public boolean isChip() {
        return part.setting("form")
                .map("chip"::equals)
                .orElse(cls.handling().make().isChip());
    }

    /** Whether its header still has to be soldered on. */
    public boolean isHeaderLoose() {
        return part.setting("header")
                .map("loose"::equals)
                .orElse(cls.handling().make().headerLoose());
    }

    public String id() {
        return part.id();
    }

    public Endpoint endpoint(Pin pin) {
        return new Endpoint(part.id(), pin.label());
    }

    /** The 7-bit I2C address it answers to: the builder's choice, else the class's; empty off the bus. */
    public Optional<Integer> address() {
        return cls.i2c().map(need -> part.setting("address")
                .flatMap(text -> Engineering.parse(text, Unit.ONE))
                .map(Double::intValue)
                .orElse(need.base()));
    }

    /** The rate its serial port runs at: the builder's choice, else the one it wakes up with. */
    public Optional<Frequency> baud() {
        return cls.uart().map(need -> part.setting("baud")
                .flatMap(text -> Engineering.parse(text, Unit.HERTZ))
                .map(Frequency::ofHertz)
                .orElse(need.rates().get(0)));
    }
}
