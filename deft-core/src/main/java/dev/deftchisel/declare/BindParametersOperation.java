package dev.deftchisel.declare;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.member.WrittenMethod;
import dev.deftchisel.member.parameter.KeptParameters;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.source.Range;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.type.TypeMirror;

/** Has a constructor keep the parameters that nobody uses in fields, those that are there or new ones. */
public final class BindParametersOperation implements Operation {

    /** The key of the parameters. */
    public static final String MEMBERS = "members";

    @Override
    public String id() {
        return "bind-parameters";
    }

    @Override
    public String summary() {
        return "Assign the unused parameters of a constructor to fields";
    }

    @Override
    public List<Question> questions() {
        return List.of(new Question.Members(MEMBERS, "the parameters", List.of(), List.of()));
    }

    /**
     * A constructor with what it does not use.
     *
     * @param parameters their types, in order
     */
    private record Idle(TargetClass target, TreePath constructor, Map<String, TypeMirror> parameters) {
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return idle(resolved.analysis(), resolved).map(idle -> {
            List<String> names = List.copyOf(idle.parameters().keySet());
            return new Offer(id(), "keep " + String.join(", ", names) + " in "
                    + (names.size() == 1 ? "a field" : "fields"),
                    Offer.Kind.GENERATE, resolved.place().selection(),
                            List.of(new Question.Members(MEMBERS, "the parameters", names, chosen(idle, resolved))));
        });
    }

    private static List<String> chosen(Idle idle, ResolvedPlace resolved) {
        return new WrittenMethod(idle.target().code(), idle.constructor())
                .meant(idle.parameters().keySet(), resolved.place().selection());
    }

    private static Optional<Idle> idle(Analysis analysis, ResolvedPlace resolved) {
        return analysis.code(resolved.file().path())
                .flatMap(code -> WrittenMethod.atHead(code, resolved.place().selection()))
                .filter(method -> method.tree().getReturnType() == null)
                .flatMap(method -> TargetClass.at(method.code(), method.code().range(method.tree()).start())
                        .filter(target -> !target.isRecord()).map(target -> idle(target, method.path())))
                .filter(idle -> !idle.parameters().isEmpty());
    }

    private static Idle idle(TargetClass target, TreePath constructor) {
        AttributedFile code = target.code();
        // read off the text, since an offer looks at the head only
        Set<String> used = code.tokens().names(code.range(((MethodTree) constructor.getLeaf()).getBody()));
        KeptParameters kept = new KeptParameters(target, constructor);
        Map<String, TypeMirror> idle = new LinkedHashMap<>();
        for (VariableTree parameter : ((MethodTree) constructor.getLeaf()).getParameters()) {
            Optional<Element> element = code.element(new TreePath(constructor, parameter));
            String name = parameter.getName().toString();
            if (element.isPresent() && !used.contains(name) && kept.canKeep(name, element.get().asType())) {
                idle.put(name, element.get().asType());
            }
        }
        return new Idle(target, constructor, idle);
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Range selection = resolved.place().selection();
        Analysis near = analyst.analyse(Focus.around(resolved.file().path(), selection).deeply());
        Optional<Idle> found = idle(near, resolved);
        if (found.isEmpty()) {
            return Plan.refused(resolved, "there is no constructor here with a parameter that nobody uses");
        }
        Idle idle = found.get();
        List<String> names = answers.several(MEMBERS).orElseGet(() -> chosen(idle, resolved));
        Optional<String> unknown = names.stream().filter(name -> !idle.parameters().containsKey(name)).findFirst();
        if (unknown.isPresent()) {
            return Plan.refused(resolved, "there is no unused parameter '" + unknown.get() + "' here; there are "
                    + String.join(", ", idle.parameters().keySet()));
        }
        Map<String, TypeMirror> chosen = new LinkedHashMap<>();
        names.forEach(name -> chosen.put(name, idle.parameters().get(name)));
        // a new field may be found where another of its name was
        Focus focus = new Focus(Set.of(resolved.file().path()), Set.copyOf(names), Set.of(),
                Map.of(resolved.file().path(), List.of(idle.target().code().range(idle.target().tree()))), true)
                .andFiles(analyst.snapshot().pathsMentioning(Set.copyOf(names)));
        Analysis before = analyst.analyse(focus);
        Idle whole = idle(before, resolved).orElse(idle);
        EditsByFile edits = new EditsByFile(before);
        edits.of(resolved.file().path()).addAll(new KeptParameters(whole.target(), whole.constructor())
                .keep(chosen, edits.writer(whole.target().code())));
        return new Plan.Ready(edits.change("keep " + String.join(", ", names) + " in " + idle.target()
                .shown(), SymbolEffects.same(),
                List.of()), before);
    }
}
