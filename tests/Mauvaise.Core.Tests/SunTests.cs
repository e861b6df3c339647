using System.Globalization;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Tests;

/// <summary>Our sun against an independent ephemeris over 2,000 random places and instants of 1990 to 2060 (tests/cases/sun.csv).</summary>
public class SunTests
{
    private sealed record Row(
        double Latitude,
        double Longitude,
        DateTimeOffset At,
        double Elevation,
        double Azimuth,
        DateOnly Date,
        DateTimeOffset? Rise,
        DateTimeOffset? Set
    );

    private static readonly IReadOnlyList<Row> Rows =
    [
        .. File.ReadLines(Path.Combine(AppContext.BaseDirectory, "cases", "sun.csv"))
            .Skip(1)
            .Select(line => line.Split(','))
            .Select(c => new Row(
                Number(c[0]),
                Number(c[1]),
                Instant(c[2])!.Value,
                Number(c[3]),
                Number(c[4]),
                DateOnly.Parse(c[5], CultureInfo.InvariantCulture),
                Instant(c[6]),
                Instant(c[7])
            )),
    ];

    private static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);

    private static DateTimeOffset? Instant(string text) =>
        text.Length == 0 ? null : DateTimeOffset.Parse(text, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal);

    [Fact]
    public void Height_and_direction_agree_to_a_fiftieth_of_a_degree()
    {
        Assert.Equal(2000, Rows.Count);
        var height = 0.0;
        var direction = 0.0;
        foreach (var r in Rows)
        {
            var p = Sun.Position(r.Latitude, r.Longitude, r.At);
            height = Math.Max(height, Math.Abs(p.ElevationDegrees - r.Elevation));
            // As an angle on the sky: near the zenith a direction says little.
            var turn = Math.Abs((p.AzimuthDegrees - r.Azimuth + 540) % 360 - 180) * Math.Cos(r.Elevation * Math.PI / 180);
            direction = Math.Max(direction, turn);
        }

        TestContext.Current.TestOutputHelper?.WriteLine(
            FormattableString.Invariant($"largest difference: height {height:0.0000}, direction {direction:0.0000} degrees")
        );
        Assert.InRange(height, 0, 0.02);
        Assert.InRange(direction, 0, 0.02);
    }

    [Fact]
    public void Rise_and_set_agree_to_a_minute_away_from_the_polar_circles()
    {
        var worst = TimeSpan.Zero;
        var compared = 0;
        foreach (var r in Rows.Where(r => Math.Abs(r.Latitude) < 65))
        {
            var day = Sun.Day(r.Latitude, r.Longitude, r.Date);
            foreach (var (ours, theirs) in new[] { (day.Sunrise, r.Rise), (day.Sunset, r.Set) })
            {
                if (theirs is null)
                {
                    continue;
                }

                Assert.NotNull(ours);
                worst = (ours.Value - theirs.Value).Duration() is var off && off > worst ? off : worst;
                compared++;
            }
        }

        TestContext.Current.TestOutputHelper?.WriteLine($"{compared} compared, largest difference {worst.TotalSeconds:0.0} s");
        Assert.True(compared > 2500, $"{compared}");
        Assert.InRange(worst.TotalSeconds, 0, 60);
    }
}
