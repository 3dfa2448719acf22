package dev.deftchisel;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.NotKnownException;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import java.util.Optional;
import java.util.concurrent.CancellationException;

/**
 * Whether an offer would be refused as soon as it is taken, as far as that is cheap to know: the change is planned, but
 * nothing is analysed for it beyond what is known, and nothing is proven.
 */
final class OfferCheck {

    private final ResolvedPlace resolved;
    private final Analyst remembering;

    OfferCheck(ResolvedPlace resolved, Analyst analyst) {
        this.resolved = resolved;
        this.remembering = analyst.remembering();
    }

    /** Why the operation would not be done; empty also where that is not known yet. */
    Optional<Reason> objection(Operation operation) {
        try {
            return operation.plan(resolved, Answers.none(), remembering) instanceof Plan.Refused refused
                    ? refused.reasons().stream().findFirst() : Optional.empty();
        } catch (CancellationException stopped) {
            throw stopped;
        } catch (NotKnownException later) {
            return Optional.empty();
        } catch (RuntimeException | StackOverflowError failed) {
            // half-written code can be of any shape; whoever takes the offer is told what failed
            return Optional.empty();
        }
    }
}
