package inkel.stress.cases;

import inkel.stress.kit.Chance;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Scrawl;
import inkel.stress.kit.Tally;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;

/** Files with spoilt bytes, given to the commands that read them. */
public final class Bytes implements Ordeal {
    private final Path folder;

    public Bytes() throws IOException {
        folder = Files.createTempDirectory("inkel-stress-bytes");
    }

    @Override
    public String name() {
        return "bytes";
    }

    @Override
    public String round() {
        return "a build or a definition with spoilt bytes, checked or imported";
    }

    @Override
    public void round(long number, Random random, Tally tally) throws IOException {
        boolean isBuild = Chance.oneIn(random, 2);
        String good = Chance.of(random, isBuild ? Seeds.examples() : Seeds.classes());
        byte[] bytes = Scrawl.over(good.getBytes(StandardCharsets.UTF_8), random);
        Path file = folder.resolve(isBuild ? "tried.inkel.json" : "tried.json");
        Files.write(file, bytes);
        String sample = new String(bytes, StandardCharsets.ISO_8859_1);
        Said said = isBuild ? Said.by("check", file.toString(), "--json") : Said.by("import", file.toString());
        said.look(tally, sample);
    }
}
