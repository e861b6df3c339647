using CsCheck;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Tests;

/// <summary>Quantities within sentences, as households read them.</summary>
public class FigureTests
{
    private static readonly Country Us = Country.All.First(c => c.Code == "US");
    private static readonly Country Uk = Country.All.First(c => c.Code == "GB");

    [Theory]
    [InlineData(20, "20 °C", "68 °F")]
    [InlineData(-40, "-40 °C", "-40 °F")]
    [InlineData(27, "27 °C", "81 °F")]
    public void A_temperature_is_a_point(double celsius, string metric, string us)
    {
        var text = $"Over {Figure.Temperature(celsius)} nothing goes on.";
        Assert.Equal($"Over {metric} nothing goes on.", text.Told());
        Assert.Equal($"Over {us} nothing goes on.", text.Told(Us.Units, Us.Kitchen));
    }

    [Fact]
    public void Every_kind_follows_the_household()
    {
        var text = string.Join(
            "; ",
            Figure.Rain(12.7),
            Figure.Wind(4.4704),
            Figure.Length(3.048),
            Figure.Area(9.290304),
            Figure.DegreeDays(10),
            Figure.Volume(3.785411784),
            Figure.Time(new DateTimeOffset(2026, 7, 16, 19, 5, 0, TimeSpan.Zero))
        );
        Assert.Equal("13 mm; 4.5 m/s; 3 m; 9.3 m²; 10 degree-days; 3.79 l; 19:05", text.Told());
        Assert.Equal("0.5 in; 10 mph; 10 ft; 100 sq ft; 18 degree-days (F); 1 gallon; 7:05 pm", text.Told(Us.Units, Us.Kitchen));
        Assert.Contains("10 mph; 3 m;", text.Told(Uk.Units, Uk.Kitchen), StringComparison.Ordinal);
    }

    /// <summary>The ends of each force by the scale's own table, m/s.</summary>
    [Theory]
    [InlineData(0, 0.2, 0)]
    [InlineData(0.3, 1.5, 1)]
    [InlineData(1.6, 3.3, 2)]
    [InlineData(3.4, 5.4, 3)]
    [InlineData(5.5, 7.9, 4)]
    [InlineData(8.0, 10.7, 5)]
    [InlineData(10.8, 13.8, 6)]
    [InlineData(17.2, 20.7, 8)]
    public void Wind_by_forces_is_that_of_the_table(double from, double to, int force)
    {
        var units = HouseholdUnits.Metric with { Wind = WindUnit.Beaufort };
        Assert.Equal([$"{force} Bft", $"{force} Bft"], new[] { from, to }.Select(w => Figure.Wind(w).Told(units, KitchenSystem.Metric)));
    }

    [Theory]
    [InlineData("en", DayOrder.DayFirst, "16 July")]
    [InlineData("en", DayOrder.MonthFirst, "July 16")]
    [InlineData("de", DayOrder.DayFirst, "16. Juli")]
    [InlineData("de", DayOrder.MonthFirst, "16. Juli")]
    [InlineData("xx", DayOrder.MonthFirst, "July 16")]
    public void A_day_is_written_in_the_households_order_where_the_language_has_both(string language, DayOrder order, string told)
    {
        using var speaking = Language.Speaking(new Voice(language, order));
        Assert.Equal(told, Say.In(new DateOnly(2026, 7, 16), "d MMMM"));
    }

    [Theory]
    [InlineData(5, "ml", KitchenSystem.Metric, "5 ml a litre")]
    [InlineData(5, "ml", KitchenSystem.Us, "1 tsp a quart")]
    [InlineData(1.4, "ml", KitchenSystem.Us, "1/4 tsp a quart")]
    [InlineData(0.4, "ml", KitchenSystem.Us, "1/4 tsp a gallon")]
    [InlineData(20, "ml", KitchenSystem.Us, "1 1/4 tbsp a quart")]
    [InlineData(7.5, "g", KitchenSystem.Us, "1 oz a gallon")]
    [InlineData(10, "ml", KitchenSystem.Imperial, "1 1/4 tsp a pint")]
    public void A_dose_is_told_in_the_kitchens_spoons(double amount, string unit, KitchenSystem kitchen, string told) =>
        Assert.Equal(told, Figure.Dose(amount, unit).Told(HouseholdUnits.Metric, kitchen));

    [Theory]
    [InlineData("a \uE000T0nonsense\uE001 b", "a  b")]
    [InlineData("a \uE000t099999\uE001 b", "a 10:39 b")]
    [InlineData("a \uE000T01e300\uE001 b", "a  b")]
    [InlineData("a \uE000 b", "a \uE000 b")]
    [InlineData("no figure", "no figure")]
    public void Marks_that_nobody_made_break_nothing(string text, string told) => Assert.Equal(told, text.Told());

    /// <summary>What is shown and typed again comes back, within what rounding leaves.</summary>
    [Fact]
    public void A_scale_goes_there_and_back() =>
        Gen.Select(Gen.Int[0, Enum.GetValues<Quantity>().Length - 1], Gen.Double[-50, 500], Gen.Int[0, Country.All.Count - 1])
            .Sample(
                (quantity, si, country) =>
                {
                    var scale = Country.All[country].Units.Scale((Quantity)quantity);
                    Assert.Equal(si, (scale.Of(si) - scale.Offset) / scale.Factor, 9);
                }
            );

    [Fact]
    public void A_country_stands_once_and_the_last_is_anywhere_else()
    {
        Assert.Equal(Country.All.Count, Country.All.Select(c => c.Code).Distinct().Count());
        Assert.Equal("ZZ", Country.All[^1].Code);
    }

    [Theory]
    [InlineData(DosedPer.SquareMetre, "50 g a square metre", "1.02 lb on 100 sq ft")]
    [InlineData(DosedPer.Plant, "50 g a plant", "1.76 oz a plant")]
    [InlineData(DosedPer.Station, "50 g a station", "1.76 oz a station")]
    [InlineData(DosedPer.Litre, "50 g a litre", "6.68 oz a gallon")]
    public void A_dose_is_told_by_what_it_is_for(DosedPer per, string metric, string us)
    {
        var dose = DoseTold.Of(50, "g", per);
        Assert.Equal(metric, dose.Told());
        Assert.Equal(us, dose.Told(Us.Units, Us.Kitchen));
    }
}
