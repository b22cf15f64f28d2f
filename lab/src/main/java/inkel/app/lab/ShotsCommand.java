package inkel.app.lab;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Takes a picture of every main view. */
@Command(name = "shots", description = "Drives the window over the example builds and writes a PNG of each main view.")
final class ShotsCommand implements Callable<Integer> {
    @Parameters(paramLabel = "DIR", description = "the folder for the pictures")
    private Path folder;

    @Option(names = "--width", description = "width of the window, 1280 unless given")
    private double width = Shots.WIDTH;

    @Option(names = "--height", description = "height of the window, 800 unless given")
    private double height = Shots.HEIGHT;

    @Override
    public Integer call() throws Exception {
        Shots.take(folder, width, height);
        return 0;
    }
}
