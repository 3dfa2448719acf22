package dev.deftchisel.signature;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.header.HeaderReader;
import dev.deftchisel.header.ParameterOrigins;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.signature.call.CallerThrows;
import dev.deftchisel.signature.call.CaughtAtCalls;
import dev.deftchisel.signature.plan.CallerChain;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.HeaderTypes;
import dev.deftchisel.signature.plan.NewExceptions;
import dev.deftchisel.signature.plan.ParameterObject;
import dev.deftchisel.signature.plan.PlacedValues;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.written.SharedEdits;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Plans the change of one method to a typed header, and of the callers that follow it. */
final class PlannedSignature {

    private final Analyst analyst;
    private final SymbolKey method;
    private final TypedHeader typed;
    private final Map<String, String> renamed;
    private Analysis before;

    /**
     * @param before  in which every file that mentions the method was looked at
     * @param renamed new names of parameters by old ones, as far as they are told
     */
    PlannedSignature(Analyst analyst, Analysis before, SymbolKey method, TypedHeader typed,
            Map<String, String> renamed) {
        this.analyst = analyst;
        this.before = before;
        this.method = method;
        this.typed = typed;
        this.renamed = renamed;
    }

    /**
     * What calls and callers do about the new header.
     *
     * @param areStaying whether calls stay as they are
     * @param through    the names of callers that get new parameters as well
     * @param passed     what single calls pass for new parameters, each by its place
     * @param thrown     what callers do about exceptions that are new
     * @param handled    what single calls do about them, each by its place
     */
    record Calls(boolean areStaying, Set<String> through, List<String> passed, NewExceptions.Handling thrown,
            List<String> handled) {

        /** Copies the collections. */
        Calls {
            through = Set.copyOf(through);
            passed = List.copyOf(passed);
            handled = List.copyOf(handled);
        }
    }

    /** The change, or what is in its way. */
    Plan plan(Calls calls) {
        HeaderTypes.Result types = types(DeclaredHeader.of(before, method).orElseThrow(), typed);
        if (types.types().isEmpty()) {
            return Plan.refused(types.objection());
        }
        SignatureChange plain = change(types.types().get());
        Set<SymbolKey> family = before.symbol(method).map(symbol -> Family.of(symbol, before)).orElse(Set.of());
        PlacedValues.Result passed = PlacedValues.read(calls.passed(), plain, family, before);
        NewExceptions.Result handled = NewExceptions.read(calls.thrown(), calls.handled(), family, before);
        if (passed.values().isEmpty() || handled.exceptions().isEmpty()) {
            return Plan.refused(passed.values().isEmpty() ? passed.objection() : handled.objection());
        }
        NewExceptions handling = handled.exceptions().get();
        SignatureChange change = plain.passing(passed.values().get());
        if (calls.areStaying() && change.movesObject()) {
            return Plan.refused("calls cannot stay as they are where the object becomes a parameter, or a "
                    + "parameter the object");
        } else if (calls.areStaying() && !calls.passed().isEmpty()) {
            return Plan.refused("calls that stay as they are pass nothing else");
        } else if (calls.areStaying()) {
            return change.own().isOfRecord() ? Plan.refused("the constructor that a record gets by itself cannot stay "
                    + "beside another; declare one that passes its values on first")
                    : new KeptOverload(before, change).plan();
        }
        Optional<String> taken = IntStream.range(0, change.origins().size()).filter(change::isToChoose)
                .mapToObj(change::mark).filter(mark -> !analyst.snapshot().mentioning(Set.of(mark)).isEmpty())
                .findFirst();
        if (taken.isPresent()) {
            return Plan.refused("'" + taken.get() + "' stands in the code already, so it cannot be the mark for a "
                    + "value that you have to choose");
        }
        Analysis first = before;
        List<SymbolKey> callers = calls.through().isEmpty() ? List.of() : callers(calls.through());
        Optional<String> unknown = calls.through().stream().filter(name -> callers.stream()
                .flatMap(key -> before.symbol(key).stream()).noneMatch(symbol -> isCalled(symbol, name))).findFirst();
        if (unknown.isPresent()) {
            return Plan.refused("no caller that leads here is called '" + unknown.get() + "'");
        }
        List<String> exceptions = change.typed().thrown().isPresent()
                ? CallerThrows.checked(change.types().code(), change.types().method().getThrownTypes()) : List.of();
        Optional<CallerThrows> thrown = exceptions.isEmpty() || !handling.isAnywhere(NewExceptions.Handling.DECLARE)
                ? Optional.empty() : Optional.of(new CallerThrows(exceptions, handling));
        List<SymbolKey> throwing = thrown.map(one -> one.callers(analyst, before, method)).map(chain -> {
            before = chain.before();
            return chain.callers();
        }).orElse(List.of());
        SignatureChange known = before == first ? change : change(types(DeclaredHeader.of(before, method)
                .orElseThrow(), typed).types().orElseThrow()).passing(change.passed());
        return written(known, callers, new Thrown(thrown, throwing, exceptions, handling));
    }

    /**
     * Exceptions that are new, and what becomes of them.
     *
     * @param declared  writes them in the headers of callers
     * @param declaring the callers that declare them
     * @param types     checked ones
     * @param handling  what calls do about them
     */
    private record Thrown(Optional<CallerThrows> declared, List<SymbolKey> declaring, List<String> types,
            NewExceptions handling) {
    }

    /**
     * The change to a header without a parameter that always has the same value, which bodies give it themselves.
     *
     * @param value as it is written in the file of the method
     */
    Plan withValue(int parameter, Function<TypeWriter, String> value) {
        return single((plain, writer) -> plain.giving(Map.of(parameter, value.apply(writer))), change ->
                "inline the parameter '" + change.oldName(parameter) + "' of '" + change.own().header().core() + "'");
    }

    /**
     * The change to a header with a record in place of parameters.
     *
     * @param variable the parameter that the record is
     * @param names    of its components, in order
     */
    Plan withObject(ParameterObject object, String variable, List<String> names) {
        Map<Integer, String> values = new HashMap<>();
        IntStream.range(0, names.size()).forEach(i -> values.put(object.origins().get(i), variable + "." + names.get(i)
                + "()"));
        return single((plain, writer) -> plain.taking(object, values), change -> "have '" + change.own().header()
                .core() + "' take a '" + change.typed().at(change.typed().parameters().get(object.index()).type())
                + "'");
    }

    /**
     * The change of the method alone, without callers that follow it.
     *
     * @param more  what it does besides what the header says, with a writer of types in the file of the method
     * @param title of the change
     */
    private Plan single(BiFunction<SignatureChange, TypeWriter, SignatureChange> more,
            Function<SignatureChange, String> title) {
        HeaderTypes.Result types = types(DeclaredHeader.of(before, method).orElseThrow(), typed);
        if (types.types().isEmpty()) {
            return Plan.refused(types.objection());
        }
        SharedEdits edits = new SharedEdits(before);
        SignatureChange plain = change(types.types().get());
        SignatureChange change = more.apply(plain, edits.writer(plain.own().code()));
        SignatureEdits written = new SignatureEdits(before, change, edits);
        Optional<Reason> objection = written.write();
        return objection.isPresent() ? Plan.refused(objection.get())
                : new Plan.Ready(edits.change(title.apply(change), written.effects(), List.of(written.note())), before);
    }

    private HeaderTypes.Result types(DeclaredHeader header, TypedHeader to) {
        return new HeaderTypes(analyst, before, header, to).resolve();
    }

    private SignatureChange change(HeaderTypes.Resolved types) {
        DeclaredHeader own = DeclaredHeader.of(before, method).orElseThrow();
        return new SignatureChange(own, typed, ParameterOrigins.of(own.header().known(), typed.known(), renamed),
                types);
    }

    private List<SymbolKey> callers(Set<String> names) {
        CallerChain chain = CallerChain.of(analyst, before, method, (code, use, caller) -> names.stream()
                .anyMatch(name -> before.symbol(code.key(caller)).filter(symbol -> isCalled(symbol, name))
                        .isPresent()));
        before = chain.before();
        return chain.callers();
    }

    /** Whether a name is that of a method, {@code week} or {@code Tariff.week} or {@code Tariff#week}. */
    private static boolean isCalled(Symbol symbol, String name) {
        String signature = symbol.signature();
        String full = signature.contains("(") ? signature.substring(0, signature.indexOf('(')) : signature;
        String dotted = name.replace('#', '.');
        return full.equals(dotted) || full.endsWith("." + dotted);
    }

    private Plan written(SignatureChange plain, List<SymbolKey> callers, Thrown exceptions) {
        SharedEdits edits = new SharedEdits(before);
        Set<SymbolKey> all = new HashSet<>();
        callers.forEach(caller -> all.addAll(Family.of(before.symbol(caller).orElseThrow(), before)));
        SignatureChange change = plain.through(all);
        List<SignatureChange> changes = new ArrayList<>(List.of(change));
        Set<SymbolKey> done = new HashSet<>();
        for (SymbolKey caller : callers) {
            if (!done.add(caller)) {
                continue;
            }
            done.addAll(Family.of(before.symbol(caller).orElseThrow(), before));
            Result also = ofCaller(caller, change);
            if (also.change().isEmpty()) {
                return Plan.refused(also.objection());
            }
            changes.add(also.change().get());
        }
        SymbolEffects effects = SymbolEffects.same();
        List<String> notes = new ArrayList<>();
        for (SignatureChange one : changes) {
            SignatureEdits written = new SignatureEdits(before, one, edits);
            Optional<Reason> objection = written.write();
            if (objection.isPresent()) {
                return Plan.refused(objection.get());
            }
            effects = effects.and(written.effects());
            notes.add((one == change ? "" : "'" + one.own().header().core() + "' becomes '" + one.newHeader()
                    + "': ") + written.note());
            notes.addAll(written.notes());
        }
        List<SymbolKey> throwing = exceptions.declaring();
        CaughtAtCalls caught = new CaughtAtCalls(before, exceptions.types(), exceptions.handling(), edits);
        Optional<Reason> objection = exceptions.declared().flatMap(one -> one.write(new CallerChain(before, throwing),
                edits)).or(() -> caught.write(method));
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        if (!throwing.isEmpty()) {
            notes.add("declare what is thrown as well: " + throwing.stream().flatMap(key -> before.symbol(key).stream())
                    .map(Symbol::signature).sorted().collect(Collectors.joining(", ")));
        }
        if (caught.caught() > 0) {
            notes.add("around " + caught.caught() + (caught.caught() == 1 ? " call" : " calls")
                    + " an IllegalStateException is thrown with what is caught as its cause");
        }
        if (!effects.marks().isEmpty()) {
            notes.add("calls do not compile until a value stands for '" + String.join("', '", effects.marks())
                    + "'; 'deft next' leads from one to the next");
        }
        return new Plan.Ready(edits.change("change '" + change.own().header().core() + "' to '"
                + change.newHeader() + "'", effects, notes), before);
    }

    /** The change of a caller, or what is in its way. */
    private record Result(Optional<SignatureChange> change, Reason objection) {

        static Result refused(Reason objection) {
            return new Result(Optional.empty(), objection);
        }
    }

    /** A caller gets the same new parameters, after its own or before one of any number. */
    private Result ofCaller(SymbolKey caller, SignatureChange change) {
        DeclaredHeader own = DeclaredHeader.of(before, caller).orElseThrow();
        AttributedFile code = own.code();
        Set<String> names = new HashSet<>();
        own.header().known().forEach(parameter -> names.add(parameter.name()));
        code.occurrences(own.path()).forEach(one -> names.add(one.variable().getSimpleName().toString()));
        List<String> parameters = new ArrayList<>();
        own.header().parameters().forEach(one -> parameters.add(own.header().declared(one)));
        List<Integer> origins = new ArrayList<>(IntStream.range(0, parameters.size()).boxed().toList());
        int at = parameters.size() - (own.element().isVarArgs() ? 1 : 0);
        for (int i = 0; i < change.origins().size(); i++) {
            if (change.isAdded(i)) {
                TypedHeader.TypedParameter added = change.typed().parameters().get(i);
                if (names.contains(change.name(i))) {
                    return Result.refused(Reason.at(code.file().path(), own.name(), "there is a variable '"
                            + change.name(i) + "' here already, so it cannot pass on the parameter of that name"));
                }
                parameters.add(at, change.typed().at(new Range(added.modifiers().start(),
                        added.value().orElse(added.name()).end())));
                origins.add(at++, NewSignature.ADDED);
            }
        }
        TypedHeader to = HeaderReader.read(own.header().with(parameters)).header().orElseThrow();
        HeaderTypes.Result types = types(own, to);
        return types.types().map(resolved -> new Result(Optional.of(new SignatureChange(own, to, origins, resolved)
                .through(change.callers())), Reason.of(""))).orElseGet(() -> Result.refused(Reason.at(code.file()
                .path(), own.name(), types.objection())));
    }
}
