package dev.deftchisel.extract.method;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.extract.flow.AnalysedFragment;
import dev.deftchisel.extract.flow.Duplicates;
import dev.deftchisel.extract.flow.Fragment;
import dev.deftchisel.extract.flow.Inputs;
import dev.deftchisel.extract.flow.NearDuplicates;
import dev.deftchisel.extract.flow.Results;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import javax.lang.model.element.TypeElement;

/** Works out the change that makes a fragment a method, called where it was and where something does the same. */
final class MethodPlan {

    private final Analysis before;
    private final AnalysedFragment body;
    private final AttributedFile code;
    private final Fragment fragment;
    private final MethodHome home;
    private final String name;
    private final EditsByFile edits;

    MethodPlan(Analysis before, AnalysedFragment body, MethodHome home, String name) {
        this.before = before;
        this.body = body;
        this.code = body.code();
        this.fragment = body.fragment();
        this.home = home;
        this.name = name;
        this.edits = new EditsByFile(before);
    }

    /**
     * The change, or why not.
     *
     * @param access     of the method
     * @param scope      how far duplicates are looked for
     * @param wish       of the order and names of parameters, see {@link Inputs#arranged}
     */
    Plan plan(AccessLevel access, DuplicateScope scope, String wish) {
        TypeWriter writer = edits.writer(code);
        ExtractedSignature signature = new ExtractedSignature(before, body, writer);
        Results results = Results.of(code, body.flow(), name);
        Duplicates twins = Duplicates.of(body, regions(scope), twin -> twin.body().obstacle(true).isEmpty()
                && (isWithin(twin) || isReachable(twin, signature, results, access)));
        Optional<Inputs> found = twins.inputs(writer);
        Optional<String> objection = found.isEmpty()
                ? Optional.of("a value that differs in a place which does the same has a"
                + " type without a name; leave the duplicates")
                : found.get().objection(wish, code.tokens().names(), code.file().module().level());
        if (objection.isPresent()) {
            return Plan.refused(Reason.at(code.file().path(), fragment.range(), objection.get()));
        }
        Inputs inputs = found.get().arranged(wish);
        ExtractedMethod method = new ExtractedMethod(body, new MethodInterface(signature, inputs, results), home, name,
                access);
        ExtractedMethod.Written written = method.write();
        if (written.objection().isPresent()) {
            return Plan.refused(written.objection().get());
        }
        List<Edit> own = edits.of(code.file().path());
        own.add(written.edit());
        own.add(new MethodCall(body, signature, results, name, inputs.arguments(code))
                .edit(Stream.concat(written.alike().stream(), inputs.alike().stream()).toList()));
        twins.all().forEach(twin -> call(twin, twins, inputs, results));
        List<String> notes = scope == DuplicateScope.NONE ? new NearDuplicates(code).note(fragment).stream().toList()
                : twins.notes(before.snapshot().workspace());
        return new Plan.Ready(edits.change("extract " + fragment.shown(code) + " to the method " + name,
                SymbolEffects.same(), notes), before);
    }

    /** The call in another place. */
    private void call(Duplicates.Duplicate twin, Duplicates twins, Inputs inputs, Results results) {
        TypeWriter writer = edits.writer(twin.code());
        ExtractedSignature signature = new ExtractedSignature(before, twin.body(), writer);
        String qualifier = isWithin(twin) ? "" : writer.name((TypeElement) code.element(home.owner()).orElseThrow())
                + ".";
        edits.of(twin.code().file().path()).add(new MethodCall(twin.body(), signature, results.in(twin.body().flow()),
                qualifier + name, twins.arguments(twin, inputs)).edit(List.of(twins.alike(twin))));
    }

    private Map<AttributedFile, TreePath> regions(DuplicateScope scope) {
        Map<AttributedFile, TreePath> regions = new LinkedHashMap<>();
        if (scope != DuplicateScope.NONE) {
            regions.put(code, scope == DuplicateScope.CLASS ? fragment.member().getParentPath()
                    : new TreePath(code.unit()));
        }
        if (scope == DuplicateScope.PACKAGE) {
            before.files().stream()
                    .filter(file -> !file.path().equals(code.file().path()))
                    .flatMap(file -> before.code(file.path()).stream())
                    .filter(code::sharesTypesWith)
                    .forEach(other -> regions.put(other, new TreePath(other.unit())));
        }
        return regions;
    }

    /** Whether a place is in the class of the method, which knows it by its name alone. */
    private boolean isWithin(Duplicates.Duplicate twin) {
        return twin.code() == code && code.range(home.owner().getLeaf()).encloses(twin.fragment().range());
    }

    /**
     * Whether a place elsewhere can call the method: it needs no object, can be seen there, and gives no record of the
     * class.
     */
    private boolean isReachable(Duplicates.Duplicate twin, ExtractedSignature signature, Results results,
            AccessLevel access) {
        boolean isSeen = access != AccessLevel.PRIVATE || twin.code() == code
                && outermost(home.owner()) == outermost(twin.fragment().member());
        return signature.isStatic(home) && isSeen && results.recordName().isEmpty();
    }

    private static Tree outermost(TreePath path) {
        TreePath outermost = path;
        for (TreePath at = path; at != null; at = at.getParentPath()) {
            outermost = at.getLeaf() instanceof ClassTree ? at : outermost;
        }
        return outermost.getLeaf();
    }
}
