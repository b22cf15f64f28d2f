package inkel.app.ui.take;

import java.util.ArrayList;
import java.util.List;
import javafx.print.PageLayout;
import javafx.print.PageRange;
import javafx.print.PrinterJob;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.stage.Window;

/** Brings pages to paper. */
public interface Printer {
    /** What became of it. */
    enum Outcome {
        PRINTED,
        LEFT,
        NO_PRINTER,
        FAILED
    }

    /** Asks which printer and which pages, then prints each page as large as its paper allows. */
    Outcome print(Window over, String name, List<Image> pages);

    /** The printers of this machine, by the dialog of its system. */
    Printer SYSTEM = (over, name, pages) -> {
        PrinterJob job = PrinterJob.createPrinterJob();
        if (job == null) {
            return Outcome.NO_PRINTER;
        }
        job.getJobSettings().setJobName(name);
        if (!job.showPrintDialog(over)) {
            job.cancelJob();
            return Outcome.LEFT;
        }
        PageLayout paper = job.getJobSettings().getPageLayout();
        for (Image page : chosen(pages, job.getJobSettings().getPageRanges())) {
            ImageView view = new ImageView(page);
            view.setPreserveRatio(true);
            view.setFitWidth(paper.getPrintableWidth());
            view.setFitHeight(paper.getPrintableHeight());
            if (!job.printPage(view)) {
                job.cancelJob();
                return Outcome.FAILED;
            }
        }
        return job.endJob() ? Outcome.PRINTED : Outcome.FAILED;
    };

    /** The pages of the ranges that were asked for; all where none were. */
    static List<Image> chosen(List<Image> pages, PageRange... ranges) {
        if (ranges == null || ranges.length == 0) {
            return pages;
        }
        List<Image> chosen = new ArrayList<>();
        for (PageRange range : ranges) {
            for (int page = range.getStartPage(); page <= Math.min(range.getEndPage(), pages.size()); page++) {
                chosen.add(pages.get(page - 1));
            }
        }
        return chosen;
    }
}
