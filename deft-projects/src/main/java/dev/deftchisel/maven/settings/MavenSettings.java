package dev.deftchisel.maven.settings;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.stream.Stream;
import org.apache.maven.model.Profile;
import org.apache.maven.settings.Mirror;
import org.apache.maven.settings.Proxy;
import org.apache.maven.settings.Server;
import org.apache.maven.settings.Settings;
import org.apache.maven.settings.building.DefaultSettingsBuilderFactory;
import org.apache.maven.settings.building.DefaultSettingsBuildingRequest;
import org.apache.maven.settings.building.SettingsBuildingException;
import org.apache.maven.settings.building.SettingsProblem;
import org.apache.maven.settings.crypto.DefaultSettingsDecrypter;
import org.apache.maven.settings.crypto.DefaultSettingsDecryptionRequest;
import org.apache.maven.settings.crypto.SettingsDecryptionResult;
import org.eclipse.aether.DefaultRepositorySystemSession;
import org.eclipse.aether.repository.Authentication;
import org.eclipse.aether.util.repository.AuthenticationBuilder;
import org.eclipse.aether.util.repository.DefaultAuthenticationSelector;
import org.eclipse.aether.util.repository.DefaultMirrorSelector;
import org.eclipse.aether.util.repository.DefaultProxySelector;
import org.sonatype.plexus.components.cipher.DefaultPlexusCipher;
import org.sonatype.plexus.components.sec.dispatcher.DefaultSecDispatcher;

/**
 * The user's {@code settings.xml} and that of Maven's installation, with passwords as Maven itself reads them.
 *
 * @param config   what the project adds to each call of Maven
 * @param settings the effective settings
 * @param access   servers and proxies with their passwords
 * @param gaps     what could not be read of them, one line each
 */
public record MavenSettings(MavenConfig config, Settings settings, SettingsDecryptionResult access, List<String> gaps) {

    /** Those that count where no project says otherwise. */
    public static MavenSettings ofThisUser() {
        return of(MavenConfig.NONE);
    }

    /** Those that count in a project. */
    public static MavenSettings of(MavenConfig config) {
        List<String> gaps = new ArrayList<>();
        DefaultSettingsBuildingRequest request = new DefaultSettingsBuildingRequest();
        request.setUserSettingsFile(config.userSettings().orElse(userFolder().resolve("settings.xml")).toFile());
        config.globalSettings().or(MavenSettings::ofInstallation).map(Path::toFile)
                .ifPresent(request::setGlobalSettingsFile);
        request.setSystemProperties(systemProperties());
        request.setUserProperties(config.properties());
        Settings settings = new Settings();
        try {
            settings = new DefaultSettingsBuilderFactory().newInstance().build(request).getEffectiveSettings();
        } catch (SettingsBuildingException unreadable) {
            unreadable.getProblems().stream().map(MavenSettings::shown).forEach(gaps::add);
        }
        SettingsDecryptionResult access = decrypted(settings);
        access.getProblems().stream().map(MavenSettings::shown).forEach(gaps::add);
        return new MavenSettings(config, settings, access, List.copyOf(gaps));
    }

    private static Path userFolder() {
        return Path.of(System.getProperty("user.home"), ".m2");
    }

    private static Optional<Path> ofInstallation() {
        return Stream.of("MAVEN_HOME", "M2_HOME").map(System::getenv).filter(home -> home != null && !home.isBlank())
                .map(home -> Path.of(home, "conf", "settings.xml")).filter(Files::isRegularFile).findFirst();
    }

    private static SettingsDecryptionResult decrypted(Settings settings) {
        DefaultSecDispatcher dispatcher = new DefaultSecDispatcher(new DefaultPlexusCipher(), Map.of(),
                userFolder().resolve("settings-security.xml").toString());
        return new DefaultSettingsDecrypter(dispatcher).decrypt(new DefaultSettingsDecryptionRequest(settings));
    }

    private static String shown(SettingsProblem problem) {
        String place = problem.getLineNumber() > 0
                ? ":" + problem.getLineNumber() + ":" + Math.max(1, problem.getColumnNumber()) : "";
        return Optional.ofNullable(problem.getSource()).filter(source -> !source.isBlank())
                .orElse("settings.xml") + place
                + ": cannot be read (" + String.valueOf(problem.getMessage()).replaceAll("\\s+", " ") + ")";
    }

    /**
     * What models may ask for: the properties of this Java, and of the environment those with {@code env.} before the
     * name.
     */
    public static Properties systemProperties() {
        Properties properties = new Properties();
        properties.putAll(System.getProperties());
        System.getenv().forEach((name, value) -> properties.setProperty("env." + name, value));
        return properties;
    }

    /** The folder of the local repository. */
    public Path localRepository() {
        return Optional.ofNullable(config.properties().getProperty("maven.repo.local"))
                .or(() -> Optional.ofNullable(System.getProperty("maven.repo.local")))
                .or(() -> Optional.ofNullable(settings.getLocalRepository()).filter(said -> !said.isBlank()))
                .map(Path::of).orElse(userFolder().resolve("repository"));
    }

    /** The profiles that the settings bring to each model. */
    public List<Profile> profiles() {
        return settings.getProfiles().stream().map(SettingsProfile::asOfModel).toList();
    }

    /** Ids of the profiles that are switched on by somebody's word. */
    public List<String> activeProfiles() {
        return Stream.concat(settings.getActiveProfiles().stream(), config.profiles().stream()).distinct().toList();
    }

    /** Has a session go where the settings say. */
    public void applyTo(DefaultRepositorySystemSession session) {
        DefaultMirrorSelector mirrors = new DefaultMirrorSelector();
        for (Mirror mirror : settings.getMirrors()) {
            mirrors.add(mirror.getId(), mirror.getUrl(), mirror.getLayout(), false, mirror.isBlocked(),
                    mirror.getMirrorOf(),
                    mirror.getMirrorOfLayouts());
        }
        session.setMirrorSelector(mirrors);
        DefaultAuthenticationSelector servers = new DefaultAuthenticationSelector();
        for (Server server : access.getServers()) {
            servers.add(server.getId(), new AuthenticationBuilder().addUsername(server.getUsername())
                    .addPassword(server.getPassword())
                    .addPrivateKey(server.getPrivateKey(), server.getPassphrase()).build());
        }
        session.setAuthenticationSelector(servers);
        DefaultProxySelector proxies = new DefaultProxySelector();
        for (Proxy proxy : access.getProxies()) {
            if (proxy.isActive()) {
                Authentication password = new AuthenticationBuilder().addUsername(proxy.getUsername())
                        .addPassword(proxy.getPassword()).build();
                proxies.add(new org.eclipse.aether.repository.Proxy(proxy.getProtocol(), proxy.getHost(),
                        proxy.getPort(), password),
                        proxy.getNonProxyHosts());
            }
        }
        session.setProxySelector(proxies);
    }
}
