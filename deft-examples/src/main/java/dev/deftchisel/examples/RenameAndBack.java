package dev.deftchisel.examples;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.PrintStream;
import java.nio.file.Path;

/** The whole way once: open, place, offers, answer, preview, apply, undo. */
public final class RenameAndBack {

    private RenameAndBack() {
    }

    /** @param arguments the folder of a workspace, a place, a new name */
    public static void main(String[] arguments) {
        run(Path.of(arguments[0]), arguments[1], arguments[2], System.out);
    }

    static void run(Path folder, String where, String newName, PrintStream out) {
        try (Chisel chisel = Chisel.open(OpenRequest.at(folder), Monitor.SILENT)) {
            Place place = chisel.place(where);
            Offer offer = chisel.offers(place).stream()
                    .filter(one -> one.operation().equals("rename"))
                    .findFirst().orElseThrow();
            out.println(offer.title());
            Outcome outcome = chisel.preview(place, offer.operation(), Answers.of("name", newName));
            if (outcome instanceof Outcome.Preview preview) {
                out.println(preview.names() + " names in " + preview.files() + " files");
                chisel.apply(preview);
                chisel.undo();
            } else if (outcome instanceof Outcome.Refusal refusal) {
                refusal.reasons().forEach(reason -> out.println("refused: " + reason.sentence()));
            }
        }
    }
}
