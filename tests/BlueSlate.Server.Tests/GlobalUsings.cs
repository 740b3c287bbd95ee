global using BlueSlate.Guide;
global using Xunit;
